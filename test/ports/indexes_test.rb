# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/site_server"
require_relative "../support/gazetteer"

# What any interface of an index must do: the stand-in's passes, broken ones fail with words and nothing by half.
class IndexInterfacesTest < Minitest::Test
  Indexes = IronTrellis::Ports::Indexes

  STANDINGS = [{"url" => "http://a.test/", "standing" => "in_index"}].freeze

  def interface(port, seconds: 5, host: "127.0.0.1", **more)
    Indexes.named("gazetteer").new(
      "http://#{host}:#{port}",
      pinned: "127.0.0.1",
      **more,
      pause: ->(time) { (@paused ||= []) << time },
      seconds: seconds
    )
  end

  def answering(&answer) = interface(SiteServer.new(->(env) { answer.call(env) }).port, seconds: 1)

  def json(status, value) = [status, {"content-type" => "application/json"}, [JSON.generate(value)]]

  def unavailable(index) = assert_raises(Indexes::Unavailable) { index.standings { |rows| @given = rows } }.message

  def test_the_stand_in_answers_everything
    index = interface(GazetteerHere.port)
    assert_equal 10, index.status["quota"]
    states = []
    assert_kind_of Date, index.standings { |rows| states.concat(rows) }
    assert_empty states.map { |row| row["standing"] }.uniq - IronTrellis::Core::Evidence::Standing::STATES
    day = Date.iso8601(index.status["today"]) - 1
    %w[pages queries].each do |kind|
      rows = []
      index.record(kind, day, day) { |some| rows.concat(some) }
      assert_equal [[day.iso8601], true],
        [rows.map { |row| row["date"] }.uniq, rows.all? { |row| row["clicks"] <= row["impressions"] }]
    end
    assert_equal states.first["url"], index.look(states.first["url"])["url"]
    assert_raises(IronTrellis::Core::Error::NotFound) { index.look("http://a.test/none") }
  end

  def test_what_fails_is_asked_again_each_time_later
    tries = 0
    index =
      answering { ((tries += 1) < 3) ? json(503, {}) : json(200, {date: "2026-11-28", rows: STANDINGS, next: nil}) }
    index.standings { |rows| @given = rows }
    assert_equal [STANDINGS, [0.5, 2]], [@given, @paused]
  end

  def test_what_goes_on_failing_is_told
    assert_match(/can't be asked: it answers 500/, unavailable(answering { json(500, {}) }))
    assert_match(/no JSON/, unavailable(answering { [200, {}, ["<html>"]] }))
    assert_match(
      /lack some of url, standing/,
      unavailable(answering { json(200, {date: "2026-11-28", rows: [{"url" => 1}], next: nil}) })
    )
    assert_match(/without date, rows/, unavailable(answering { json(200, {}) }))
    assert_match(/no day/, unavailable(answering { json(200, {date: "soon", rows: STANDINGS, next: nil}) }))
    assert_match(/can't be asked/, unavailable(interface(TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] })))
    assert_match(/larger than 20 MB/, unavailable(answering { [200, {}, Array.new(30) { " " * 1_000_000 }] }))
  end

  def test_a_quota_that_is_used_up_is_no_failure
    index = answering { json(429, {error: "The quota of 10 requests a day is used up."}) }
    assert_match(/quota of 10/, assert_raises(Indexes::Refused) { index.request("http://a.test/") }.message)
  end

  # Byte by byte, each sooner than a pause would be noticed.
  def test_an_answer_has_one_time_for_all_of_it
    dripping do |port|
      assert_match(/no whole answer within 0.6 seconds/, unavailable(interface(port, seconds: 0.6)))
    end
  end

  def test_who_does_not_wait_any_more_is_not_kept_waiting
    cancelled = IronTrellis::Core::Error::Cancelled
    dripping do |port, asked|
      wanted = -> { raise cancelled.new("It was cancelled.") unless asked.empty? }
      assert_raises(cancelled) { interface(port, seconds: 600, wanted: wanted).status }
    end
  end

  # Whatever its name has come to mean since it was permitted.
  def test_all_is_asked_at_the_address_that_was_checked
    hosts = []
    port = SiteServer.new(
      ->(env) {
        hosts << [env["REQUEST_METHOD"], env["HTTP_HOST"]]
        json(200, {name: "x", today: "2026-11-28", quota: 1, hosts: []})
      }
    ).port
    index = interface(port, host: "index.invalid")
    index.status
    index.request("http://a.test/")
    index.withdraw_sitemap("http://a.test/s.xml")
    assert_equal %w[GET POST DELETE].product(["index.invalid:#{port}"]), hosts
  end

  def test_pages_are_asked_for_until_there_is_none
    index =
      answering do |env|
        if env["QUERY_STRING"].include?("after=2")
          json(200, {date: "2026-11-28", rows: [], next: nil})
        else
          json(200, {date: "2026-11-28", rows: STANDINGS, next: "2"})
        end
      end
    found = []
    index.standings { |rows| found << rows.size }
    assert_equal [1, 0], found
  end

  private

  # A server that answers one byte now and then, for ever.
  def dripping
    server = TCPServer.open("127.0.0.1", 0)
    asked = []
    serving =
      Thread.new do
        loop do
          socket = server.accept
          Thread.new do
            asked << socket.gets
            socket.write("HTTP/1.1 200 OK\r\nContent-Type: application/json\r\n\r\n{")
            loop { socket.write(" ") && sleep(0.05) }
          rescue SystemCallError
            socket.close
          end
        end
      end
    yield server.addr[1], asked
  ensure
    serving&.kill&.join
    server&.close
  end
end
