# frozen_string_literal: true

require_relative "../test_helper"
require "zlib"

# A server that does its worst: the crawl ends in bounded time, its worker's memory stays bounded, and each URL has its
# error.
class HostileTest < Minitest::Test
  include TestDatabase
  include Workers

  MOST_KILOBYTES = 400_000
  PATIENCE_SECONDS = 90
  HTML = "Content-Type: text/html\r\n"

  # A gigabyte of zeros in a megabyte.
  BOMB = begin
    deflate = Zlib::Deflate.new(Zlib::BEST_COMPRESSION, Zlib::MAX_WBITS + 16)
    zeros = "\0" * 16_777_216
    Array.new(64) { deflate.deflate(zeros) }.join + deflate.finish
  end

  # What each path does, and the error and status that must come of it.
  BODIES = {
    "/endless" => ["too_large", 200],
    "/bomb" => ["too_large", 200],
    "/headers" => ["too_large", nil],
    "/drip" => ["timeout", nil],
    "/short" => ["closed", 200],
    "/slam" => ["closed", nil],
    "/chunks" => ["malformed", 200],
    "/charset" => [nil, 200],
    "/parameters" => [nil, 200],
    "/r/0" => [nil, 301],
    "/file" => [nil, 302],
    "/metadata" => [nil, 302],
    "/title" => [nil, 200],
    "/nested" => ["malformed", 200],
    "/nul" => [nil, 200],
    "/long" => [nil, 200],
    "/noise" => ["malformed", nil]
  }.freeze

  def test_the_crawl_ends_and_every_url_has_its_error
    server = RawServer.new { |path, socket| answer(path, socket) }
    crawl, most = crawl(server.port)
    rows = audit_rows(crawl)["urls.jsonl"].to_h { |row| [row["url"].delete_prefix("http://hostile.example"), row] }

    BODIES.each { |path, expected| assert_equal expected, rows.fetch(path).values_at("error", "status"), path }
    assert_includes 50_000..MOST_KILOBYTES, most
    check_details(rows)
    assert_includes IronTrellis::Store::Crawling::Spaces.named(crawl.id).map { |one| one["kind"] },
      "same content under parameters"
  ensure
    server.close
  end

  private

  def check_details(rows)
    assert_equal ["direct", nil], rows["/file"].values_at("stop", "redirect_to")
    assert_equal "http://169.254.169.254/latest/", rows["/metadata"]["redirect_to"]
    assert_equal ["allowed", nil], rows["http://169.254.169.254/latest/"].values_at("stop", "status")
    assert_equal 20, rows.keys.grep(%r{/r/\d+}).count { |path| rows[path]["status"] } - 1
    assert_equal IronTrellis::Core::Content::Cut::MOST_CHARS, rows["/title"]["title_chars"]
    assert_operator rows.keys.grep(/\?p=/).count { |path| rows[path]["status"] }, :<, 1000
    refute rows.key?("/left/out")
  end

  # Patterns that would take a backtracking engine for ever are tried on every URL.
  def crawl(port)
    settings =
      IronTrellis::Core::Settings::Crawl.new(
        "start_urls" => ["http://hostile.example/"],
        "rate" => 0,
        "seconds" => 2,
        "retries" => 1,
        "hosts" => ["169.254.169.254"],
        "resolve" => {
          "hostile.example:80" => "127.0.0.1:#{port}"
        },
        "exclude" => %w[/(a+)+$b/ /(.*)*(.*)*(.*)*left.out/]
      )
    queue = "hostile-#{SecureRandom.hex(6)}"
    crawl =
      IronTrellis::Work::Crawling::Runs.start(
        IronTrellis::Store::Sites::Site.register(name: "hostile #{SecureRandom.hex(6)}", settings: settings),
        now: Time.now,
        slots: 1,
        queue: queue
      )
    worker = start_worker(queue)
    [crawl, watch(worker, crawl)]
  ensure
    end_worker(worker)
  end

  # @return [Integer] the most kilobytes that the worker took
  def watch(worker, crawl)
    most = 0
    wait_until(PATIENCE_SECONDS) do
      most = [most, kilobytes_of_worker(worker)].max
      sleep 0.1
      crawl.reload.ended?
    end
    most
  end

  def answer(path, socket)
    case path
    when "/"
      ok(socket, links(BODIES.keys + ["/left/out", "/#{"a" * 3000}!"]))
    when "/robots.txt"
      socket.write("HTTP/1.1 404 Not Found\r\nContent-Length: 0\r\n\r\n") && :keep
    when "/endless"
      endlessly(socket, "HTTP/1.1 200 OK\r\n#{HTML}\r\n") { "x" * 65_536 }
    when "/headers"
      endlessly(socket, "HTTP/1.1 200 OK\r\n") { "X-Lamp: #{"y" * 1000}\r\n" }
    when "/bomb"
      socket.write(
        "HTTP/1.1 200 OK\r\n#{HTML}Content-Encoding: gzip\r\nContent-Length: #{BOMB.bytesize}\r\n\r\n",
        BOMB
      ) && :close
    when "/drip"
      100.times { socket.write("H") && sleep(0.1) } && :close
    when "/slam"
      :close
    when "/short"
      socket.write("HTTP/1.1 200 OK\r\n#{HTML}Content-Length: 5000\r\n\r\nlamp") && :close
    when "/long"
      socket.write("HTTP/1.1 200 OK\r\n#{HTML}Content-Length: 4\r\n\r\nlamp and much more than was said") && :keep
    when "/chunks"
      socket.write("HTTP/1.1 200 OK\r\n#{HTML}Transfer-Encoding: chunked\r\n\r\nzzz\r\nlamp\r\n") && :close
    when "/noise"
      socket.write(Random.bytes(4000)) && :close
    when "/charset"
      ok(socket, Random.bytes(20_000), type: "text/html; charset=#{%w[utf-16 euc-jp x-nonsense utf-7].sample}")
    when "/parameters"
      ok(socket, links((1..10_000).map { |number| "/?p=#{number}" }))
    when %r{\A/\?p=}
      ok(socket, "<title>All alike</title><p>The same lamp as ever.</p>")
    when %r{\A/r/(\d+)}
      socket.write("HTTP/1.1 301 Moved\r\nLocation: /r/#{$1.to_i + 1}\r\nContent-Length: 0\r\n\r\n") && :keep
    when "/file"
      socket.write("HTTP/1.1 302 Found\r\nLocation: file:///etc/passwd\r\nContent-Length: 0\r\n\r\n") && :keep
    when "/metadata"
      socket.write("HTTP/1.1 302 Found\r\nLocation: http://169.254.169.254/latest/\r\nContent-Length: 0\r\n\r\n") &&
        :keep
    when "/title"
      ok(socket, "<title>#{"lamp, " * 50_000}</title>")
    when "/nested"
      ok(socket, "<div>" * 100_000)
    when "/nul"
      ok(socket, "<title>a\0b</title><a href='/nul\0?x'>\0</a>\0<!--\0", headers: "X-Robots-Tag: a\0b\r\n")
    else
      ok(socket, "<title>lamp</title>")
    end
  end

  def ok(socket, body, type: "text/html", headers: "")
    socket.write("HTTP/1.1 200 OK\r\nContent-Type: #{type}\r\n#{headers}Content-Length: #{body.bytesize}\r\n\r\n", body)
    :keep
  end

  def endlessly(socket, head)
    socket.write(head)
    loop { socket.write(yield) }
  end

  def links(paths) = paths.map { |path| "<a href=\"#{path}\">x</a>" }.join
end
