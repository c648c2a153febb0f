# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/site_server"
require_relative "../support/faults_told"
require_relative "../support/evidence_site"

# Crawls that look at pages after their scripts: at all of them, or at some of each group.
class RenderedCrawlTest < Minitest::Test
  include TestDatabase
  include EvidenceSite
  include FaultsTold

  Work = IronTrellis::Work
  SMALL = "http://small.example"
  BY_SCRIPT = "<script>document.body.insertAdjacentHTML('beforeend', '<a href=/by-script>more</a>')</script>"
  CLOSED = "<script>document.head.insertAdjacentHTML('beforeend', '<meta name=robots content=noindex>')</script>"
  PAGES = {
    "/" => "<title>Home</title><a href=/lamps/1>1</a>#{BY_SCRIPT}",
    "/by-script" => "<title>By script</title>#{CLOSED}",
    "/moved" => "<title>Moved</title><script>location.href = '/lamps/1'</script>",
    **(1..7).to_h { |n| ["/lamps/#{n}", "<title>Lamp #{n}</title><a href=/lamps/#{n + 1}>on</a><a href=/moved>m</a>"] }
  }.freeze

  def test_links_and_directives_of_scripts_are_read_and_what_was_sent_is_kept_beside
    crawl = crawled(PAGES, rendering: "rendered")
    found = ledger(crawl)
    assert_equal [200, true, %w[links]], found["/"].values_at("status", "rendered", "by_script")
    assert_equal [true, %w[noindex]], found["/by-script"].values_at("noindex", "by_script")
    assert_equal ["#{SMALL}/lamps/1", "direct"], found["/moved"].values_at("redirect_to", "stop")
    assert_equal [true, []], found["/lamps/7"].values_at("rendered", "by_script")
    told, html = Store::Pages::Renderings.new(crawl.id).of(id("/by-script"))
    assert_equal ["quiet", [false, true]], [told["ended_by"], told["changes"]["noindex"]]
    assert_includes html, "noindex"
    assert_equal [["render-only", "links"], ["render-only", "noindex"]],
      faults(crawl).sort
    lines = []
    Store::Reports::AuditRows.new(crawl, crawl.verdict_run).urls { |row| lines << row }
    assert_equal ["rendered", true], [lines.first.keys.last, lines.find { |one| one["url"] == "#{SMALL}/" }["rendered"]]
  end

  # What a page embeds by its scripts alone is missed like what its elements name.
  def test_what_scripts_ask_for_and_robots_txt_blocks_is_told
    page = "<link rel=stylesheet href=/kept/page.css><script>new Image().src = '/kept/lamp.png'</script>"
    crawl = crawled({"/" => page, "/robots.txt" => "User-agent: *\nDisallow: /kept/\n"}, rendering: "rendered")
    assert_equal [["blocked-resource", "#{SMALL}/kept/lamp.png"], ["blocked-resource", "#{SMALL}/kept/page.css"]],
      faults(crawl, "blocked-resource").sort
  end

  def test_of_each_group_some_are_looked_at_and_none_is_read_otherwise
    crawl = crawled(PAGES, rendering: "both")
    assert_nil ledger(crawl)["/by-script"], "links of scripts aren't followed"
    sampling = Work::Rendering::Sampling.new(crawl, now: Time.now)
    assert sampling.call(0), "more is to be done"
    refute sampling.call(60)
    refute sampling.call(0), "nothing is looked at twice"
    Work::Judging::Judgement.alone(crawl.reload, clock: -> { Time.now })
    found = ledger(crawl.reload)
    assert_equal [nil, %w[links]], found["/"].values_at("rendered", "by_script")
    assert_equal 5, found.count { |path, row| path.start_with?("/lamps/") && row["by_script"] == [] }
    assert_equal [nil], found["/lamps/7"].values_at("by_script").uniq
  end

  # Nothing else of the crawl is another for it: what was blocked is known, and the page embeds it.
  def test_in_a_crawl_by_sample_what_only_scripts_ask_for_is_missed_too
    page = "<link rel=stylesheet href=/kept/page.css><script>for (const name of ['lamp', 'lamp', 'oil']) " \
      "new Image().src = `/kept/${name}.png`; new Image().src = '/there.png'</script>"
    crawl = crawled({"/" => page, "/robots.txt" => "User-agent: *\nDisallow: /kept/\n"}, rendering: "both")
    urls = ledger(crawl).keys
    refute Work::Rendering::Sampling.new(crawl, now: Time.now).call(60)
    Work::Judging::Judgement.alone(crawl.reload, clock: -> { Time.now })
    kept = %w[/kept/lamp.png /kept/oil.png]
    assert_equal [*kept, "/kept/page.css"].map { |path| ["blocked-resource", "#{SMALL}#{path}"] },
      faults(crawl.reload, "blocked-resource").sort
    found = ledger(crawl)
    assert_equal kept, (found.keys - urls).sort
    assert_equal [["image", false, "allowed"]] * 2,
      kept.map { |path| found[path].values_at("kind", "robots_allowed", "stop") }
    refute crawl.open?, "nothing waits to be fetched"
  end

  private

  def id(path) = IronTrellis::Core::Url::NormalForm.id(@site.id, "#{SMALL}#{path}")

  def ledger(crawl) =
    Store::Postgres::Sql
      .rows("SELECT * FROM #{Store::Postgres::Partitions.name("ledger_rows", crawl.verdict_run.id)}")
      .to_h { |row| [row["url"].delete_prefix(SMALL), row] }

  def faults(crawl, code = "render-only") =
    Store::Postgres::Sql
      .rows("SELECT code, about FROM faults_#{crawl.verdict_run.id} WHERE code = $1", [code])
      .map { |row| row.values_at("code", "about") }
end
