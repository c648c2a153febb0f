# frozen_string_literal: true

require_relative "../test_helper"

# A host that goes away for a while is waited for: what it holds isn't said to be broken.
class OutageTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  Store = IronTrellis::Store
  PAGES = 40

  def site =
    SmallSite.new("/" => "<title>T</title>" + Array.new(PAGES) { |number| "<a href='/p#{number}'>p</a>" }.join) do
      "<title>A page</title><p>Words of it.</p>"
    end

  # A gate before the site's own port, which can be shut: connections are refused then.
  def shut_after(requests, site)
    gate = TCPServer.new("127.0.0.1", 0)
    port = gate.addr[1]
    passed = 0
    thread = Thread.new do
      loop do
        pass(gate.accept, site.port)
        next unless (passed += 1) == requests

        gate.close
        sleep 2
        gate = TCPServer.new("127.0.0.1", port)
      end
    rescue IOError
      # The test is over.
    end
    yield port
  ensure
    thread&.kill
    gate&.close
  end

  # One request a connection.
  def pass(client, port)
    server = TCPSocket.new("127.0.0.1", port)
    request = +""
    request << client.readpartial(65_536) until request.include?("\r\n\r\n")
    server.write(request.sub("\r\n", "\r\nConnection: close\r\n").sub(/^connection: (?!close).*\r\n/i, ""))
    IO.copy_stream(server, client)
  rescue EOFError, SystemCallError
    # The other side went away.
  ensure
    client.close
    server&.close
  end

  def test_a_host_that_comes_back_loses_nothing_and_the_outage_is_told
    shut_after(12, site) do |port|
      crawl = crawl_here(site, "resolve" => {"small.example:80" => "127.0.0.1:#{port}"}, "concurrency" => 2)
      assert_equal [200], rows_of(crawl).values.map { |row| row["status"] }.uniq
      assert_equal PAGES + 1, rows_of(crawl).size
      assert_equal ["small.example"], Store::Crawling::Outages.of(crawl.id).map { |one| one["authority"] }.uniq
      assert Store::Crawling::Outages.of(crawl.id).all? { |one| one["to"] }
    end
  end

  def test_a_crawl_that_was_not_answered_is_not_what_screens_are_as_of
    server = site
    first = crawl_here(server)
    finish(first)
    record = first.site
    record.update!(settings: record.settings.merge("resolve" => {"small.example:80" => "127.0.0.1:1"}, "retries" => 0))
    second = crawl_here(server, site: record.reload)
    finish(second)
    assert_equal [true, first], [second.reload.unanswered, record.newest_crawl]
    assert_match(/No host of the site gave an answer/, second.message)
  end

  def finish(crawl)
    crawl.count
    crawl.update!(state: Store::Crawling::Crawl::FINISHED, fetching_ended_at: Time.now, finished_at: Time.now)
  end
end
