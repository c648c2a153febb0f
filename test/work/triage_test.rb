# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/site_server"
require_relative "../support/faults_told"
require_relative "../support/evidence_site"

# What an index left out, looked at now and as the crawl saw it.
class TriageOfSiteTest < Minitest::Test
  include TestDatabase
  include EvidenceSite
  include FaultsTold

  LEFT_OUT = %w[/moved /off /loop /chain-gone /missing-lamp-40 /gone /closed /feed /copy /shut /unknown /down
    /shut-unknown].freeze

  # No crawl knows these; robots.txt keeps crawlers from one of them.
  UNKNOWN = %w[/unknown /shut-unknown].freeze

  def setup
    super
    text = "<p>#{(1..90).map { |number| "word#{number}" }.join(" ")}</p>"
    pages = {
      "/" =>
        page(
          "Home",
          (LEFT_OUT - UNKNOWN).map { |path| "<a href=\"#{path}\">#{path}</a>" }.join +
            "<a href=/lamps/lamp-40>Lamp 40</a>"
        ),
      "/lamps/lamp-40" => page("Lamp 40"),
      "/moved" => [301, {"location" => "/lamps/lamp-40"}, ""],
      "/off" => [302, {"location" => "http://elsewhere.example/"}, ""],
      "/loop" => [302, {"location" => "/loop"}, ""],
      "/chain-gone" => [301, {"location" => "/gone"}, ""],
      "/gone" => [410, {}, ""],
      "/closed" => page("Closed", "", head: "<meta name=robots content=noindex>"),
      "/shut" => page("Shut"),
      "/feed" => [200, {"content-type" => "application/rss+xml"}, "<rss/>"],
      "/copy" => page("Copy", text, head: "<link rel=canonical href=/lamps/lamp-40>"),
      "/down" => [503, {}, ""],
      "/robots.txt" => [200, {"content-type" => "text/plain"}, "User-agent: *\nDisallow: /shut\n"]
    }
    @crawl = crawled(pages)
    @site.decisions.decide(
      "intent",
      {
        "http://small.example/closed" => {
          "intent" => "keep_out"
        },
        "http://small.example/shut" => {
          "intent" => "index"
        }
      },
      by: "A test",
      now: NOW
    )
    import(
      "standings",
      "url,standing\nhttp://small.example/lamps/lamp-40,in_index\n" +
        LEFT_OUT.map { |path| "http://small.example#{path},passed_over\n" }.join
    )
    IronTrellis::Work::Judging::Judgement.alone(@crawl, clock: -> { Time.now })
  end

  EXPECTED = {
    "/moved" => %w[settled repoint http://small.example/lamps/lamp-40],
    "/off" => %w[settled repoint http://elsewhere.example/],
    "/loop" => ["failing", "server", nil],
    "/chain-gone" => %w[to_route route http://small.example/],
    "/missing-lamp-40" => %w[to_route route http://small.example/lamps/lamp-40],
    "/gone" => ["settled", "repoint", nil],
    "/closed" => ["settled", "none", nil],
    "/feed" => ["by_product", "close_off", nil],
    "/copy" => ["settled", "none", nil],
    "/shut" => ["shut", "open", nil],
    "/down" => ["failing", "server", nil]
  }.freeze

  def test_looked_at_now
    lines = lines(fetch: true)
    assert_equal EXPECTED.sort.to_h,
      lines.transform_values { |one| one.values_at("class", "action", "target") }.except(*UNKNOWN)
    assert_equal ["settled", "none", 404], lines["/unknown"].values_at("class", "action", "status")
    assert_equal ["settled", "none", nil], lines["/shut-unknown"].values_at("class", "action", "status")
    assert_nil lines["/shut"]["status"]
    refute_includes @server.requests.last(30).map(&:target), "/shut"
    assert_equal [301, "http://small.example/lamps/lamp-40", 1, false],
      lines["/moved"].values_at("status", "final_url", "links_in", "in_sitemaps")
    kept = Store::Postgres::Sql.rows("SELECT count(*) FROM live_checks WHERE site_id = $1", [@site.id]).first["count"]
    assert_equal LEFT_OUT.size, kept
    shown = IronTrellis::Store::Ledger::Rows.new(@crawl.verdict_run, conditions: Store::Ledger::Conditions.new(nil))
    status = shown.to_h { |row| row.values_at(*%w[url status].map { |name| shown.columns.index(name) }) }
    assert_equal [404, nil], UNKNOWN.map { |path| status["http://small.example#{path}"] }
  end

  def test_as_the_crawl_saw_it
    asked = @server.requests.size
    lines = lines(fetch: false)
    assert_equal EXPECTED.sort.to_h,
      lines.transform_values { |one| one.values_at("class", "action", "target") }.except(*UNKNOWN)
    assert_equal [[nil, nil, nil, ["no crawl knows it, and it was not fetched"]]] * 2,
      lines.values_at(*UNKNOWN).map { |one| one.values_at("class", "action", "status", "reasons") }
    assert_equal asked, @server.requests.size
  end

  private

  def lines(fetch:)
    index = Store::Evidence::Index.named(@site, nil)
    IronTrellis::Work::Triage::SortingOut
      .new(@site, index, clock: -> { Time.now })
      .call(fetch: fetch)
      .map { |one| IronTrellis::Work::Triage::Lines.of(one) }
      .to_h { |one| [one["url"].delete_prefix("http://small.example"), one] }
  end
end
