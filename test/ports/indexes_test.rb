# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/site_server"
require_relative "../support/gazetteer"

# What any interface of an index must do: the stand-in's passes, broken ones fail with words and nothing by half.
class IndexInterfacesTest < Minitest::Test
  Indexes = IronTrellis::Ports::Indexes

  STANDINGS = [{"url" => "http://a.test/", "standing" => "in_index"}].freeze

  def interface(port, seconds: 5)
    Indexes.named("gazetteer").new(
      "http://127.0.0.1:#{port}",
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
end
