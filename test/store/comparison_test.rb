# frozen_string_literal: true

require_relative "../test_helper"

# Crawls of a site that changes in between.
class ComparisonTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  PAGE = ->(title, body = "") do
    "<!doctype html><html lang=en><head><title>#{title}</title></head><body><main><h1>#{title}</h1>" \
    "<p>#{(1..60).map { |number| "#{title}#{number}" }.join(" ")}</p>#{body}</main></body></html>"
  end
  HOME = PAGE.call("Home", "<a href=/a>a</a> <a href=/b>b</a> <a href=/c>c</a> <a href=/d>d</a>")
  NOINDEX = "<meta name=robots content=noindex>"

  def again(site, pages)
    pages.each { |path, body| @pages[path] = body }
    crawl = IronTrellis::Work::Crawling::Runs.start(site, now: Time.now, slots: 1, queue: "here-#{SecureRandom.hex(6)}")
    finish(crawl)
  end

  def finish(crawl)
    crawl.advance("waiting", "crawling", started_at: Time.now)
    IronTrellis::Work::Crawling::Session.new(crawl, slot: 0, clock: -> { Time.now }).run { false }
    IronTrellis::Work::Judging::Judgement.alone(crawl, clock: -> { Time.now })
    crawl.update!(state: "finished")
    crawl
  end

  def setup
    super
    @pages = {
      "/" => HOME,
      "/a" => PAGE.call("Anchor", NOINDEX),
      "/b" => PAGE.call("Beacon"),
      "/c" => PAGE.call("Copper"),
      "/d" => [404, {"content-type" => "text/html"}, "no"]
    }
    @first = crawl_here(SmallSite.new(@pages))
    @first.update!(state: "finished")
  end

  def compare(newer, earlier) = IronTrellis::Store::Reports::Comparison.new(newer, earlier)

  def faults(comparison, code) =
    comparison.call[:faults]
      .find { |row| row["code"] == code }
      &.slice("new", "returned", "still", "cleared", "unchecked")
      &.reject { |_, count| count.zero? }

  def test_what_rose_fell_came_and_went_and_what_became_of_the_faults
    second =
      again(
        @first.site,
        "/" => HOME.sub("<a href=/c>c</a>", "<a href=/e>e</a>"),
        "/a" => PAGE.call("Anchor"),
        "/b" => PAGE.call("Beacon", NOINDEX),
        "/e" => PAGE.call("Ebb")
      )
    comparison = compare(second, @first)

    assert_equal(
      {"rose" => 1, "fell" => 1, "as_decided" => 0, "came" => 1, "went" => 1, "others" => 0},
      comparison.call[:moves]
    )
    {
      "rose" => ["/a", "open", nil],
      "fell" => ["/b", nil, "open"],
      "came" => ["/e", nil, nil],
      "went" => ["/c", nil, nil]
    }.each do |move, (path, before, after)|
      assert_equal [["http://small.example#{path}", before, after]],
        comparison.urls(move)[:rows].map { |row| row.values_at("url", "stop_before", "stop_after") }
    end
    assert_equal({"still" => 1}, faults(comparison, "link-to-missing"))
    # Told of pages that may be indexed: a and e are such now, b no more, c is gone.
    assert_equal({"new" => 2, "still" => 1, "cleared" => 1, "unchecked" => 1}, faults(comparison, "canonical-missing"))
  end

  # A page is kept out, one stands behind another, one is redirected: all as decided. Of the rest only what is wanted in
  # both rises or falls.
  def test_what_was_carried_out_as_decided_neither_fell_nor_stops
    site = @first.site
    IronTrellis::Work::Intents::UpdateIntents.replace(
      site,
      intents: [{"pattern" => "/b", "intent" => "keep_out"}, {"pattern" => "/", "intent" => "index"}],
      key_pages: %w[http://small.example/c http://small.example/e],
      by: "Test",
      now: Time.now
    )
    site.decisions.decide(
      "canonical",
      {"http://small.example/c" => {"target" => "http://small.example/"}},
      by: "Test",
      now: Time.now
    )
    site.decisions.decide(
      "route",
      {
        "http://small.example/e" => {
          "to" => "http://small.example/",
          "status" => 301,
          "kind" => "exact",
          "query" => "match"
        }
      },
      by: "Test",
      now: Time.now
    )
    before = again(site, "/" => HOME.sub("</main>", "<a href=/e>e</a></main>"), "/e" => PAGE.call("Ebb"))
    after =
      again(
        site,
        "/b" => PAGE.call("Beacon", NOINDEX),
        "/c" => PAGE.call("Copper").sub("</head>", "<link rel=canonical href=http://small.example/></head>"),
        "/e" => [301, {"location" => "/"}, ""],
        "/a" => PAGE.call("Anchor"),
        "/d" => PAGE.call("Dock")
      )
    moved = compare(after, before)
    assert_equal(
      {"rose" => 0, "fell" => 0, "as_decided" => 3, "came" => 0, "went" => 0, "others" => 2},
      moved.call[:moves]
    )
    assert_equal %w[/b /c /e],
      moved.urls("as_decided")[:rows].map { |row| row["url"].delete_prefix("http://small.example") }.sort
    rows = rows_of(after)
    assert_equal [["kept out", false], ["canonical", false], ["redirect", false], [nil, true]],
      %w[/b /c /e /].map { |path| rows[path].values_at("fulfilled", "wanted") }
    assert_equal [1, 0], IronTrellis::Store::Reports::StageCounts.of(after).values_at(:wanted, :wanted_stopping)
  end

  def test_a_fault_that_was_gone_for_a_while_has_returned
    second = again(@first.site, "/d" => PAGE.call("Dock"))
    assert_equal({"cleared" => 1}, faults(compare(second, @first), "not-found"))
    third = again(@first.site, "/d" => [404, {"content-type" => "text/html"}, "no"])
    assert_equal({"returned" => 1}, faults(compare(third, second), "not-found"))
    assert_equal({"still" => 1}, faults(compare(third, @first), "not-found"))
  end

  def test_the_faults_of_a_crawl_tell_their_trend_over_the_crawls_judged_alike
    second = again(@first.site, "/d" => PAGE.call("Dock"), "/a" => [404, {"content-type" => "text/html"}, "no"])
    third = again(@first.site, "/b" => [404, {"content-type" => "text/html"}, "no"])
    trend = ->(crawl) do
      IronTrellis::Store::Reports::Causes.new(crawl.verdict_run).call.find { |rule| rule[:code] == "not-found" }[
        :trend
      ].map(&:values)
    end

    assert_equal [[[1, 1], [2, 1], [3, 2]], [[1, 1], [2, 1]]], [third, second].map(&trend)
    second.verdict_run.update!(rules_digest: "others")
    assert_equal [[1, 1], [3, 2]], trend.call(third)
  end

  # Of a crawl whose hosts were away nothing follows.
  def test_crawls_without_answers_are_no_part_of_a_trend
    silent = again(@first.site, {})
    silent.update!(unanswered: true)
    third = again(@first.site, {})
    crawls = ->(crawl) {
      rules = IronTrellis::Store::Reports::Causes.new(crawl.verdict_run).call
      rules.find { |rule| rule[:code] == "not-found" }[:trend].map { |one| one.values.first }
    }
    assert_equal [[1, 3], [2]], [third, silent].map(&crawls)
  end

  def test_only_verdicts_of_equal_rules_are_compared
    second = again(@first.site, {})
    IronTrellis::Work::Settings::Judging.keep(
      @first.site,
      groups: [],
      thresholds: {
        "title_long" => 20
      },
      weights: {},
      by: "Test",
      now: Time.now
    )
    IronTrellis::Work::Judging::Judgement.alone(
      IronTrellis::Store::Crawling::Crawl.find(second.id),
      clock: -> { Time.now }
    )

    assert_match(
      /judged by other rules/,
      assert_raises(IronTrellis::Core::Error::Conflict) { compare(second, @first) }.message
    )
    assert_match(/earlier one/, assert_raises(IronTrellis::Core::Error::Conflict) { compare(@first, second) }.message)
  end
end
