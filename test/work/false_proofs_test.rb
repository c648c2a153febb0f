# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/site_server"
require_relative "../support/faults_told"
require_relative "../support/evidence_site"

# What proves nothing: a crawl that didn't look again, and people who want or judge otherwise. Only what the site
# answers does.
class FalseProofsTest < Minitest::Test
  include TestDatabase
  include EvidenceSite
  include FaultsTold

  Fix = Store::Workplan::Fix
  Work = IronTrellis::Work
  SMALL = "http://small.example"
  NOINDEX = "<meta name=robots content=noindex>"
  HOME = "<a href=/a>a</a><a href=/b>b</a><a href=/gone>gone</a><a href=/out>out</a><a href=/far>far</a>"

  def setup
    super
    @crawl =
      crawled(
        {
          "/" => page("Home", HOME),
          "/a" => page("A lamp that hangs in the rigging of a ship the whole of the night", "<a href=/>home</a>"),
          "/b" => page("B", "<a href=/>home</a>"),
          "/out" => page("Out", "<a href=/>home</a>", head: NOINDEX),
          "/far" => page("Far", "<a href=/>home</a><a href=/lost>lost</a>", head: NOINDEX)
        }
      )
    @site.page_groups.create!(name: "all", pattern: "*", position: 0)
    decide("group", "all" => {"intent" => "index"})
    judged
    remade
  end

  def test_a_crawl_that_ended_by_its_limit_says_nothing_of_what_it_did_not_read
    before = lines
    claim(fix("redirects"))
    crawl_with({}, "limit" => 2)
    assert_predicate @site.newest_crawl, :cut_short?
    assert_empty Fix.of(@site).where(state: %w[proved lapsed])
    directives = lines.find { |one| one["kind"] == "directives" }
    was = before.find { |one| one["kind"] == "directives" }
    assert_equal was.slice("id", "benefit", "state"), directives.slice("id", "benefit", "state")
    assert_equal was["faults"].sort_by(&:to_s), directives["faults"].sort_by(&:to_s)
    assert_equal "not done", fix("redirects").state, "it was asked for"
    crawl_with({"/out" => page("Out", "<a href=/>home</a>")}, "limit" => 50)
    assert_equal [["#{SMALL}/far"], "open"], [fix("directives").urls.map { |one| one["url"] }, fix("directives").state]
  end

  def test_other_intents_make_it_lapse_though_a_new_crawl_finds_nothing
    decide("intent", "/out" => {"intent" => "keep_out"}, "/far" => {"intent" => "keep_out"})
    crawl_with({})
    fix = fix("directives")
    today = @site.evidence_reading.today(Time.now).iso8601
    assert_equal "lapsed", fix.state
    line = lines.find { |one| one["id"] == fix.name }
    assert_includes ["lapsed: intent of /out set to keep_out by A test, #{today}",
      "lapsed: intent of /far set to keep_out by A test, #{today}"], line["notes"].first
    assert_equal 0.0, Work::Proofs::Overview.new(@site).call[:freed]
    assert_equal [1, 0], report.numbers.values_at("lapsed", "proved")
    error = assert_raises(IronTrellis::Core::Error::InvalidInput) { claim(fix) }
    assert_match(/lapsed/, error.message)
    decide("intent", "/out" => {"intent" => "index"}, "/far" => {"intent" => "index"})
    judged
    remade
    assert_equal ["open", fix.number], [fix("directives").state, fix("directives").number], "its cause is back"
  end

  def test_what_is_left_by_an_intent_is_judged_by_the_site
    decide("intent", "/far" => {"intent" => "keep_out"})
    crawl_with("/out" => page("Out", "<a href=/>home</a>"))
    assert_equal "proved", fix("directives").state
  end

  def test_claimed_work_lapses_too_whole_or_in_part
    fix = claim(fix("directives"))
    decide("intent", "/far" => {"intent" => "keep_out"})
    judged
    remade
    assert_equal ["claimed", 1], [fix.reload.state, fix.standing.size]
    assert_equal ["not done", 1], proved.first.values_at("state", "checked")
    decide("intent", "/out" => {"intent" => "keep_out"})
    judged
    remade
    assert_equal "lapsed", fix.reload.state
    assert_match(%r{intent of /out set to keep_out}, fix.lapse)
  end

  def test_other_groups_and_limits_prove_nothing
    content = Fix.of(@site).find { |one| one.faults.any? { |fault| fault["code"] == "title-long" } }
    keep = ->(**settings) do
      groups = [{"name" => "all", "pattern" => "*", "intent" => "index"}]
      Work::Settings::Judging.keep(@site.reload, groups: groups, thresholds: {}, weights: {}, by: "Ada", now: Time.now,
        **settings)
    end
    keep.call(thresholds: {"title_long" => 200})
    crawl_with({})
    refute_includes content.reload.faults.map { |one| one["code"] }, "title-long"
    refute_equal "proved", content.state
    keep.call(groups: [{"name" => "everything", "pattern" => "*", "intent" => "index"}])
    crawl_with({})
    assert_empty Fix.of(@site).where(state: "proved")
  end

  def test_a_decision_that_is_taken_back_proves_nothing
    decide("route", "#{SMALL}/b" => {"to" => "#{SMALL}/a", "status" => 301})
    judged
    remade
    assert_includes codes(fix("redirects")), "accepted-route"
    decide("route", "#{SMALL}/b" => nil)
    crawl_with("/gone" => [301, {"location" => "/a"}, ""])
    assert_equal "open", fix("redirects").state, "one is lost still"
    refute_includes codes(fix("redirects")), "accepted-route"
  end

  def test_what_a_fetch_proved_makes_no_second_fix_while_the_verdicts_are_old
    claim(fix("directives"))
    @server.change("/out" => page("Out", "<a href=/>home</a>"), "/far" => page("Far", "<a href=/>home</a>"))
    assert_equal "proved", proved.first["state"]
    freed = Work::Proofs::Overview.new(@site).call[:freed]
    import("standings", "url,standing\n#{SMALL}/a,in_index\n", index: "Gaz", date: Date.new(2026, 11, 26))
    judged
    remade
    assert_equal ["proved"], Fix.of(@site).where(kind: "directives").map(&:state)
    assert_equal freed, Work::Proofs::Overview.new(@site).call[:freed]
  end

  # The condition is of robots.txt, whether a crawl keeps to it or not, and of the host that the page is on.
  def test_a_robots_txt_that_still_blocks_is_no_proof
    shut = {"content-type" => "text/plain"}
    other = SmallSite.new("/robots.txt" => [200, shut, "User-agent: *\nDisallow: /\n"], "/x" => page("X"))
    @site.update!(settings: @site.settings.merge(
      "start_urls" => ["#{SMALL}/", "http://other.example/x"], "ignore_robots" => true,
      "resolve" => @site.settings["resolve"].merge("other.example:80" => "127.0.0.1:#{other.port}")
    ))
    crawl_with({})
    fix = Fix.of(@site).find_by(kind: "robots", place: "http://other.example/robots.txt")
    assert_includes codes(fix), "blocked-wanted"
    told = proved(fix.name).first
    assert_equal ["not done", 0], told.values_at("state", "met")
    other.change("/robots.txt" => [200, shut, "User-agent: *\nDisallow: /y\nSitemap: /s.xml\n"])
    told = proved(fix.name).first
    assert_equal "proved", told["state"], told.inspect
  end

  private

  def fix(kind) = Fix.of(@site).where(kind: kind).order(:number).last

  def codes(fix) = fix.faults.map { |fault| fault["code"] }

  def lines = Work::Workplan::Listing.new(@site).call

  def report = Work::Proofs::Reporting.new(@site.reload, now: Time.now).report

  def claim(fix) = Work::Workplan::Claiming.call(@site, [fix.name], now: Time.now).first

  def proved(*ids)
    fixes = Work::Proofs::Proving.asked(@site, ids)
    Work::Proofs::Proving.new(@site, clock: -> { Time.now }).call(fixes)
  end

  def decide(kind, values) =
    @site.decisions.decide(
      kind,
      values.to_h do |subject, value|
        value ? IronTrellis::Core::Decisions::Registry.read(kind, subject, value) : [subject, nil]
      end,
      by: "A test",
      now: Time.now
    )

  def judged = Work::Judging::Judgement.alone(@site.newest_crawl.reload, clock: -> { Time.now })

  def remade = Work::Workplan::RegenerateFixes.keep_up(@site.reload, now: Time.now)

  def crawl_with(pages, settings = {})
    @server.change(pages)
    @site.update!(settings: @site.settings.merge(settings))
    crawl = crawl_here(@server, site: @site)
    crawl.update_columns(state: "finished", fetching_ended_at: Time.now, finished_at: Time.now)
    crawl.count
    judged
    remade
  end
end
