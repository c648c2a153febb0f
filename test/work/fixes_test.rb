# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/site_server"
require_relative "../support/faults_told"
require_relative "../support/evidence_site"

# Fixes of a site as verdicts and decisions come and go, laid out in time, and claimed.
class FixesOfSiteTest < Minitest::Test
  include TestDatabase
  include EvidenceSite
  include FaultsTold

  Fix = Store::Workplan::Fix
  Work = IronTrellis::Work::Workplan
  SMALL = "http://small.example"

  def setup
    super
    pages = {
      "/" => page("Home", "<a href=/a>a</a><a href=/b>b</a><a href=/gone>gone</a><a href=/out>out</a>"),
      "/a" => page("Lamp a", "<a href=/>home</a><a href=/gone>gone</a>"),
      "/b" => page("", "<a href=/>home</a>"),
      "/out" => page("Out", "<a href=/>home</a>", head: "<meta name=robots content=noindex>")
    }
    @crawl = crawled(pages)
    @site.page_groups.create!(name: "all", pattern: "*", position: 0)
    decide("group", "all" => {"intent" => "index"})
    judged
  end

  def test_each_fault_is_in_one_fix_and_the_lines_are_whole
    remade
    told = Work::Listing.new(@site).call
    faults = told.flat_map { |fix| fix["faults"] }.map { |fault| fault.values_at("code", "url", "about") }
    all = Store::Postgres::Sql.rows("SELECT code, url, about FROM faults_#{@crawl.verdict_run.id}").map(&:values)
    assert_equal all.map { |row| row.map(&:to_s) }.sort, faults.map { |row| row.map(&:to_s) }.sort
    assert_equal %w[
      id
      kind
      title
      place
      cause
      role
      template
      benefit
      hours
      owner
      after
      not_before
      deadline
      start
      finish
      state
      faults
      settles
      urls
      text
      conditions
    ],
      told.first.keys
    gone = fix("redirects")
    assert_equal ["small.example", "map", "open", 0.52], gone.slice("place", "cause", "state", "hours").values
    assert_operator gone.benefit, :>, 0, "the home page leads to it"
    assert_equal [gone.number], fix("links").after
  end

  def test_a_fix_keeps_its_number_while_it_is_right_and_is_proved_when_its_faults_are_gone
    remade
    before = fix("directives")
    mended("/out" => page("Out", "<a href=/>home</a>"))
    remade
    after = Fix.find(before.id)
    assert_equal ["proved", "seen by crawl #{@site.newest_crawl.number}"], [after.state, after.history.last["why"]]
    assert_equal fix("redirects").number, Fix.of(@site).find_by(kind: "redirects").number
    mended("/out" => page("Out", "<a href=/>home</a>", head: "<meta name=robots content=noindex>"))
    remade
    assert_equal "returned", after.reload.state
    assert_equal 1, Fix.of(@site).where(kind: "directives").count, "it takes no other number"
  end

  def test_faults_that_go_over_into_a_template_s_fix_prove_nothing
    remade
    page = ->(name, more) { page(name, "<a href=/>home</a>#{more}") }
    gone = "<a href=/gone>gone</a>"
    names = %w[/c /d /e /f]
    home = page("Home", (%w[/a /b /gone /out] + names).map { |path| "<a href=#{path}>x</a>" }.join)
    mended("/" => home, **names.to_h { |path| [path, page.call("Lamp #{path}", gone)] })
    remade
    links = Fix.of(@site).where(kind: "links")
    assert_equal ["template"], links.map(&:cause).grep("template")
    assert_empty links.where(state: "proved").select { |one| one.faults.any? { |f| f["code"] == "link-to-missing" } }
  end

  def test_what_was_claimed_keeps_what_it_clears_and_new_faults_make_a_second_fix
    remade
    first = fix("redirects")
    Work::Claiming.call(@site, [first.name], now: NOW, by: "Ada")
    mended(
      "/" => page("Home", "<a href=/a>a</a><a href=/b>b</a><a href=/gone>gone</a><a href=/lost>l</a><a href=/out>o</a>")
    )
    remade
    urls = Fix.of(@site).where(kind: "redirects").order(:number).map { |one| one.urls.map { |url| url["url"] } }
    assert_equal [["#{SMALL}/gone"], ["#{SMALL}/lost"]], urls
    assert_equal "not done", first.reload.state, "the crawl found it still"
  end

  def test_what_is_no_fault_any_more_by_the_same_crawl_is_no_fix_and_its_number_is_never_used_again
    remade
    numbers = Fix.of(@site).pluck(:number)
    decide("group", "all" => {"intent" => "keep_out"})
    judged
    remade
    assert_empty Fix.of(@site).where(state: "proved")
    assert_operator Fix.of(@site).where.not(number: numbers).pluck(:number).min || 99, :>, numbers.max
  end

  # A robots.txt and a sitemap count the most important page of their host, whether pages link to them or not.
  def test_files_weigh_what_their_host_s_most_important_page_weighs
    mended(
      "/" => page("Home", "<a href=/a>a</a><a href=/robots.txt>r</a><a href=/sitemap.xml>s</a>"),
      "/robots.txt" =>
        [200, {"content-type" => "text/plain"}, "User-agent: *\nGarbage\nSitemap: #{SMALL}/sitemap.xml\n"],
      "/sitemap.xml" => [200, {"content-type" => "application/xml"},
        "<urlset xmlns='http://www.sitemaps.org/schemas/sitemap/0.9'><url><loc>#{SMALL}/</loc>" \
        "<lastmod>never</lastmod></url></urlset>"]
    )
    remade
    rows = Store::Postgres::Sql.rows("SELECT url, importance FROM ledger_rows_#{@site.newest_crawl.verdict_run.id}")
    most = rows.filter_map { |row| row["importance"] }.max
    parts = %w[robots sitemaps].map { |kind| fix(kind).urls.map { |one| one.values_at("url", "importance") }.to_h }
    assert_equal [most, most], [parts[0]["#{SMALL}/robots.txt"], parts[1]["#{SMALL}/sitemap.xml"]]
    assert_operator most, :>, 0
  end

  def test_claiming_is_for_all_or_none
    remade
    open = fix("redirects")
    error =
      assert_raises(IronTrellis::Core::Error::InvalidInput) do
        Work::Claiming.call(@site, [open.name, "F999"], now: NOW)
      end
    assert_match(/There is no fix F999/, error.message)
    assert_equal "open", open.reload.state
    open.become("proved", now: NOW)
    assert_raises(IronTrellis::Core::Error::InvalidInput) { Work::Claiming.call(@site, [open.name], now: NOW) }
  end

  def test_decisions_that_are_not_carried_out_yet_are_in_fixes
    decide("intent", "#{SMALL}/a" => {"intent" => "keep_out"})
    decide("route", "#{SMALL}/b" => {"to" => "#{SMALL}/a", "status" => 301})
    judged
    remade
    codes = Fix.of(@site).flat_map(&:faults).map { |one| one.values_at("code", "url") }
    assert_includes codes, ["accepted-route", "#{SMALL}/b"]
    assert_includes codes, ["stray", "#{SMALL}/a"]
    refute_includes codes, ["decided-intent", "#{SMALL}/a"], "a fault says the same"
  end

  def test_what_was_decided_of_pages_one_by_one_is_work
    decide("review", "#{SMALL}/a" => {"fate" => "improve"})
    decide("review", "#{SMALL}/b" => {"fate" => "merge_into", "target" => "#{SMALL}/a"})
    decide("review", "#{SMALL}/out" => {"fate" => "keep"})
    remade
    told = Work::Listing.new(@site).call.select { |one| one["kind"] == "content" }
    faults = told.flat_map { |one| one["faults"] }.select { |one| %w[improve merge].include?(one["code"]) }
    assert_equal [["improve", "#{SMALL}/a", nil], ["merge", "#{SMALL}/b", "#{SMALL}/a"]],
      faults.map { |one| one.values_at("code", "url", "about") }.sort
    merged = told.flat_map { |one| one["conditions"] }.map { |one| one["condition"] }
    assert_includes merged, "leads for good (301 or 308) in one hop to #{SMALL}/a, which has its text"
  end

  def test_they_are_laid_out_by_owners_that_stay
    remade
    scheduling = Work::Scheduling.new(@site, start: Date.new(2027, 1, 4), clock: -> { 0 })
    assert_match(
      /name an owner/,
      assert_raises(IronTrellis::Core::Error::InvalidInput) { scheduling.call(now: NOW) }.message
    )
    Work::WorkplanSettings.new(@site).keep_owners([{"name" => "Ada", "hours_per_day" => 6.0}])
    scheduling = Work::Scheduling.new(@site, start: Date.new(2027, 1, 4), clock: -> { 0 })
    plan = scheduling.call(now: NOW)
    assert_equal plan.schedule.map { |one| one[:id] }.sort, Fix.of(@site).where(state: "planned").map(&:name).sort
    redirects = fix("redirects")
    assert_equal ["Ada", Date.new(2027, 1, 4), 1], redirects.slice("owner", "start", "sequence").values
    scheduling.call(now: NOW)
    assert_equal 1, redirects.reload.sequence, "the same plan moves nothing"
    assert_operator fix("links").start, :>=, redirects.finish
  end

  def test_each_gets_work_of_its_roles_and_what_nobody_has_the_role_for_is_told
    remade
    owners = ->(*some) { some.map { |name, roles| {"name" => name, "hours_per_day" => 6.0, "roles" => roles}.compact } }
    settings = Work::WorkplanSettings.new(@site)
    settings.keep_owners(owners.call(["Ada", %w[developer]], ["Bo", %w[auditor]]))
    scheduling = Work::Scheduling.new(@site, start: Date.new(2027, 1, 4), clock: -> { 0 })
    laid = scheduling.call(now: NOW).schedule.to_h { |one| one.values_at(:id, :owner) }
    by_role = Fix.of(@site).where.not(cause: "later").where.not(kind: "request").group_by(&:role)
    assert_equal by_role["editor"].map { |fix| {"id" => fix.name, "role" => "editor"} }.sort_by(&:to_s),
      scheduling.without_owner.sort_by(&:to_s)
    assert_equal [["Ada"], ["Bo"]],
      %w[developer auditor].map { |role| by_role[role].map { |fix| laid[fix.name] }.uniq }
    settings.keep_owners(owners.call(["Bo", nil], ["Cy", %w[editor]]))
    assert_equal({"Ada" => %w[developer], "Bo" => %w[auditor], "Cy" => %w[editor]},
      settings.owners.to_h { |one| one.values_at("name", "roles") }, "roles that aren't given stay")
    assert_raises(IronTrellis::Core::Error::InvalidInput) { settings.keep_owners(owners.call(["Ada", %w[boss]])) }
  end

  # Where nobody said yet what should be indexed, that is the first work; what would go with it waits.
  def test_what_should_be_indexed_is_decided_first
    undecided
    cart = page("Your basket", "<a href=/>home</a>")
    mended("/cart/" => cart, "/" => page("Home", "<a href=/a>a</a><a href=/cart/>Basket</a><a href=/gone>gone</a>"))
    remade
    told = Work::Listing.new(@site).call
    first = told.first
    assert_equal ["directives", "small.example", "decide", "auditor", "Decide what should be indexed", 0.1, []],
      first.values_at("kind", "place", "cause", "role", "title", "hours", "faults")
    assert_includes first["settles"].map { |one| one["url"] }, "#{SMALL}/cart/"
    refute_includes told.drop(1).reject { |one| one["kind"] == "sitemaps" }.flat_map { |one| one["faults"] }
      .map { |one| one["url"] }, "#{SMALL}/cart/"
    id = first["id"].delete("F")
    proving = IronTrellis::Work::Proofs::Proving.new(@site, clock: -> { Time.now })
    proving.call([Fix.of(@site).find_by(number: id)])
    assert_equal "open", Fix.of(@site).find_by(number: id).state, "nobody has decided"
    decide("group", "all" => {"intent" => "index"})
    judged
    remade
    assert_equal "proved", Fix.of(@site).find_by(number: id).state
    refute_includes Work::Listing.new(@site).call(%w[open]).map { |one| one["cause"] }, "decide"
  end

  def test_two_lines_of_a_robots_txt_are_two_faults_to_the_end
    mended("/robots.txt" => [200, {"content-type" => "text/plain"}, "User-agent: *\nhello\nand more\n"])
    remade
    lines = fix("robots").faults.select { |one| one["code"] == "robots-syntax" }
    assert_equal [%w[2 3], 2], [lines.map { |one| one["about"] }, lines.map { |one| one["key"] }.uniq.size]
    left = lines.first.slice("code", "url", "about")
    given = {"faults" => [left], "why" => "a note"}
    Work::ChangeState.set_aside(@site, fix("robots").name, given, by: "A", now: Time.now)
    @site.update!(fixes_of_run: nil)
    remade
    assert_equal ["3"], fix("robots").faults.filter_map { |one| one["about"] if one["code"] == "robots-syntax" }
    # With a line before them they are the same.
    mended("/robots.txt" => [200, {"content-type" => "text/plain"}, "# new\nUser-agent: *\nhello\nand more\n"])
    remade
    assert_equal ["4"], fix("robots").faults.filter_map { |one| one["about"] if one["code"] == "robots-syntax" }
  end

  private

  def fix(kind) = Fix.of(@site).where(kind: kind).order(:number).last

  def undecided
    entry = @site.decisions.in_force("group").fetch("all")
    @site.decisions.decide("group", {"all" => nil}, by: "A test", now: Time.now)
    entry
  end

  def decide(kind, values) =
    @site.decisions.decide(
      kind,
      values.to_h do |subject, value|
        IronTrellis::Core::Decisions::Registry.read(kind, subject, value)
      end,
      by: "A test",
      now: Time.now
    )

  def judged = IronTrellis::Work::Judging::Judgement.alone(@site.newest_crawl.reload, clock: -> { Time.now })

  def remade = Work::RegenerateFixes.keep_up(@site.reload, now: Time.now)

  # The site with some pages otherwise, crawled and judged again.
  def mended(pages)
    @server.change(pages)
    crawl = crawl_here(@server, site: @site)
    crawl.update_columns(state: "finished", fetching_ended_at: Time.now, finished_at: Time.now)
    judged
  end
end
