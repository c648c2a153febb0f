# frozen_string_literal: true

require_relative "../test_helper"

# What pages are judged by, changed over HTTP: the newest crawl is judged again in a job, without being fetched again.
class ReadingSettingsTest < Minitest::Test
  include ApiHere

  def site = Store::Crawling::Crawl.find(judged).site_id

  def work_until
    IronTrellis::Work::Runtime::Queue.work(queues: ["crawl"], threads: 1) { yield }
  end

  def change(**settings)
    call(:put, "/sites/#{site}/reading", {groups: [], thresholds: {}, weights: {}}.merge(settings))
    assert call(:get, "/crawls/#{judged}")["judged_again"]
    work_until { !Store::Crawling::Crawl.find(judged).judged_again? }
    refute call(:get, "/crawls/#{judged}")["judged_again"]
  end

  def rows(where) = call(:get, "/crawls/#{judged}/urls?limit=500&where=#{CGI.escape(JSON.generate(where))}")["rows"]

  def test_groups_limits_and_weights_change_what_is_judged_and_nothing_is_fetched_again
    sign_up
    before = call(:get, "/crawls/#{judged}")["run"]
    change(
      groups: [{name: "Masthead", pattern: "/lamps/masthead/*", intent: "index", thresholds: {"title_long" => 10}}],
      thresholds: {
        "word_floor" => 5
      },
      weights: {
        "authority" => 0,
        "nearness" => 1,
        "sitemap" => 0
      }
    )

    masthead = rows(all: [{field: "group", op: "is", value: "Masthead"}, {field: "indexable", op: "is", value: true}])
    refute_empty masthead
    masthead.each do |row|
      assert_equal [true, "index"], [row["faults"].include?("title-long"), row["intent"]], row["url"]
    end
    assert_equal ["http://www.skerrylamps.example/guides/hang-a-lamp-in-gimbals"],
      rows(all: [{field: "faults", op: "has", value: "title-long"}]).map { |row| row["url"] } -
        masthead.map { |row| row["url"] }
    assert_empty rows(
                   all: [
                     {field: "stop", op: "is", value: "distinct"},
                     {field: "url", op: "contains", value: "/topics/lenses"}
                   ]
                 )
    assert_equal 100.0, rows(all: [{field: "depth", op: "is", value: 0}]).first["importance"]
    refute_equal before, call(:get, "/crawls/#{judged}")["run"]

    change
    assert_empty rows(all: [{field: "group", op: "is", value: "Masthead"}])
    runs = IronTrellis::Store::Judging::VerdictRun
    assert_operator Store::Crawling::Crawl.find(judged).verdict_runs.count,
      :>,
      runs::KEPT,
      "somebody may be reading what was replaced a moment ago"
    runs.drop_old(Store::Crawling::Crawl.find(judged), Time.now + 2 * runs::READING_SECONDS)
    assert_equal runs::KEPT, Store::Crawling::Crawl.find(judged).verdict_runs.count
  end

  def test_what_cannot_be_used_is_named_and_nothing_is_changed
    sign_up
    judged
    bad = {
      groups: [{name: " ", pattern: "/[/"}, {name: "A", pattern: "/a/*"}, {name: "A", pattern: "/b/*"}],
      thresholds: {},
      weights: {}
    }
    assert_equal %w[groups.0 groups.0 groups],
      call(:put, "/sites/#{site}/reading", bad, status: 422)["problems"].map { |one| one["field"] }
    assert_equal ["title_long"],
      call(
        :put,
        "/sites/#{site}/reading",
        {groups: [], thresholds: {"title_long" => 1}, weights: {}},
        status: 422
      )[
        "problems"
      ].map { |one| one["field"] }
    assert_match(
      /no limit called/,
      call(:put, "/sites/#{site}/reading", {groups: [], thresholds: {"depth" => 1}, weights: {}}, status: 422)[
        "detail"
      ]
    )
    assert_match(
      /from 0 to 1/,
      call(:put, "/sites/#{site}/reading", {groups: [], thresholds: {}, weights: {"authority" => 2}}, status: 422)[
        "detail"
      ]
    )
    assert_equal [], call(:get, "/sites/#{site}/reading")["groups"]
  end

  def test_groups_are_tried_and_proposed_before_they_are_kept
    sign_up
    judged
    trial =
      call(
        :post,
        "/sites/#{site}/groups/trial",
        {groups: [{name: "Lamps", pattern: "/lamps/*"}, {name: "Nothing", pattern: "/nothing/*"}]}
      )
    lamps, nothing, *rest = trial["groups"]
    assert_equal ["Lamps", true, "Nothing", 0], [lamps["name"], lamps["given"], nothing["name"], nothing["pages"]]
    assert_equal trial["pages"], trial["groups"].sum { |group| group["pages"] }
    assert_includes rest.map { |group| group["name"] }, "/journal/"
    assert_equal 422,
      call(:post, "/sites/#{site}/groups/trial", {groups: [{name: "x", pattern: "/[/"}]}, status: 422)[
        "status"
      ]

    proposals = call(:get, "/sites/#{site}/groups/proposals")["groups"]
    assert_includes proposals.map { |one| one["name"] }, "/journal/"
    assert_operator proposals.map { |one| one["pages"] }.min, :>=, 1
    kept = proposals.map { |one| one.slice("name", "pattern", "template", "intent") }
    told = call(:post, "/sites/#{site}/groups/trial", {groups: kept})
    assert_equal kept.map { |one| one["name"] }, told["groups"].select { |one| one["given"] }.map { |one| one["name"] }
  end
end
