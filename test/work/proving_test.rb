# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/site_server"
require_relative "../support/faults_told"
require_relative "../support/evidence_site"

# Fixes that are claimed are looked at live, past caches, and by the next crawl.
class ProvingTest < Minitest::Test
  include TestDatabase
  include EvidenceSite
  include FaultsTold

  Fix = Store::Workplan::Fix
  Work = IronTrellis::Work
  SMALL = "http://small.example"
  NOINDEX = "<meta name=robots content=noindex>"
  HOME =
    "<a href=/a>a</a><a href=/b>b</a><a href=/gone>gone</a><a href=/lost>lost</a><a href=/out>out</a>" \
    "<a href=/alone>alone</a><a href=/copy>copy</a><img src=/lamp.png>"

  def setup
    super
    @crawl =
      crawled(
        {
          "/" => page("Home", HOME),
          "/a" => page("Lamp a", "<a href=/>home</a><a href=/gone>gone</a>"),
          "/b" => page("", "<a href=/>home</a>"),
          "/out" => page("Out", "<a href=/>home</a>", head: NOINDEX),
          "/alone" => page("Alone"),
          "/copy" => page("Copy", "<a href=/>home</a>", head: "<link rel=canonical href=/gone>"),
          "/lamp.png" => [200, {"content-type" => "image/png"}, "png"],
          "/robots.txt" => [200, {"content-type" => "text/plain"}, "User-agent: *\nDisallow: /secret\nGarbage\n"]
        }
      )
    @site.page_groups.create!(name: "all", pattern: "*", position: 0)
    decide("group", "all" => {"intent" => "index"})
    judged
    remade
  end

  def test_nothing_is_met_while_nothing_is_mended
    fixes = Fix.of(@site).order(:number).to_a
    found = proved(*fixes.map(&:name)).zip(fixes)
    found.each do |told, fix|
      untold = fix.reload.proof["conditions"].count { |one| one["met"].nil? }
      assert_equal [0, fix.faults.size - untold], told.values_at("met", "checked"), "#{fix.kind}: #{fix.proof}"
      assert_equal (untold == fix.faults.size) ? "open" : "not done", told["state"]
    end
    assert_operator found.size, :>, 5
  end

  def test_half_mended_is_partly_and_mended_is_proved
    claimed("redirects")
    @server.change("/gone" => moved("/a"))
    told = proved.first
    assert_equal ["partly", 2, 1], told.values_at("state", "checked", "met")
    assert_equal [["#{SMALL}/lost", "it answers 404"]], told["unmet"].map { |one| one.values_at("url", "found") }
    assert_match(/\Aanswers 200, leads for good/, told["unmet"].first["condition"])
    assert_equal 0.52, fix("redirects").hours, "only the rest takes time"
    @server.change("/lost" => [410, {}, ""])
    assert_equal ["proved"], proved(fix("redirects").name).map { |one| one["state"] }
    assert_equal "seen by a fetch", fix("redirects").history.last["why"]
    refute_nil fix("redirects").proved_at
  end

  def test_a_redirect_that_is_temporary_or_leads_on_is_not_met
    claimed("redirects")
    @server.change("/gone" => moved("/a", 302), "/lost" => moved("/gone"))
    assert_equal ["not done", 0], proved.first.values_at("state", "met")
  end

  def test_canonicals_and_directives_are_met_by_what_was_decided
    [fix("directives"), fix_of("canonical-to-missing")].each { |one| claim(one) }
    @server.change("/out" => page("Out", "<a href=/>home</a>"))
    @server.change("/copy" => page("Copy", head: "<link rel=canonical href=#{SMALL}/copy>"))
    told = proved.to_h { |one| [Fix.named(@site, [one["id"]]).first.kind, one] }
    assert_equal "proved", told["directives"]["state"]
    assert_equal "proved", told["canonicals"]["state"], told["canonicals"].inspect
  end

  def test_links_are_met_when_they_lead_elsewhere_or_their_target_answers
    claimed("links")
    @server.change("/a" => page("Lamp a", "<a href=/>home</a>"))
    told = proved.first
    left = told["unmet"].map { |one| one["url"] }
    assert_equal ["#{SMALL}/", "#{SMALL}/alone"], left.uniq.sort
    @server.change("/gone" => page("Back", "<a href=/>home</a>"), "/lost" => page("Back too", "<a href=/>h</a>"))
    @server.change("/alone" => page("Alone", "<a href=/>home</a>"))
    assert_empty proved(fix("links").name).first["unmet"]
  end

  def test_what_a_cache_shows_does_not_count
    claimed("directives")
    cached = page("Out", head: NOINDEX)
    @server.change("/out" => ->(env) { env["QUERY_STRING"].empty? ? cached : page("Out") })
    told = proved.first
    assert_equal ["proved", ["#{SMALL}/out: a cache answers otherwise"]], told.values_at("state", "notes")
    asked = @server.requests.reverse.find { |one| one.target == "/out" }
    assert_equal "no-cache", asked.headers["cache-control"]
  end

  def test_a_canonical_that_hands_on_what_was_made_up_is_read_as_the_page_s_own
    claim(fix_of("canonical-to-missing"))
    own = ->(env) do
      query = env["QUERY_STRING"].empty? ? "" : "?#{env["QUERY_STRING"]}"
      page("Copy", head: "<link rel=canonical href=\"#{SMALL}/copy#{query}\">")
    end
    @server.change("/copy" => own)
    assert_equal ["proved", nil], proved.first.values_at("state", "notes")
  end

  def test_what_a_fetch_can_t_tell_waits_for_the_next_whole_crawl
    claimed("robots")
    @server.change("/robots.txt" => [200, {}, "User-agent: *\nDisallow: /secret\nSitemap: #{SMALL}/s.xml\n"])
    assert_equal ["proved", 2], proved.first.values_at("state", "met")
    content = Fix.of(@site).where(kind: "content").find { |one| one.faults.any? { |f| f["code"] == "title-duplicate" } }
    assert_nil content, "no titles are the same here"
  end

  def test_a_site_that_is_away_proves_nothing_and_loses_nothing
    claimed("directives")
    @site.update!(settings: @site.settings.merge("resolve" => {"small.example:80" => "127.0.0.1:1"}))
    @crawl.update!(settings: @site.settings)
    told = proved.first
    assert_equal ["claimed", 0, []], told.values_at("state", "checked", "unmet")
    assert_match(/no answer/, fix("directives").proof["conditions"].first["found"])
  end

  def test_a_crawl_proves_what_was_claimed_and_finds_what_is_broken_again
    claimed("directives", "redirects")
    crawl_with("/out" => page("Out", "<a href=/>home</a>"), "/gone" => moved("/a"))
    assert_equal %w[proved partly], [fix("directives"), fix("redirects")].map(&:state)
    assert_equal "seen by crawl #{@site.newest_crawl.number}", fix("directives").history.last["why"]
    assert_equal [["#{SMALL}/lost", false]],
      fix("redirects").proof["conditions"].reject { |one| one["met"] }.map { |one| one.values_at("url", "met") }
    told = Store::Reports::Comparison.new(@site.newest_crawl, @crawl.reload).call
    assert_includes told[:fixes], {
      "id" => fix("directives").name,
      "title" => fix("directives").title,
      "state" => "proved",
      "why" => "seen by crawl 2",
      "rose" => 1,
      "fell" => 0
    }
    assert_operator told[:groups].sum { |one| one["rose"] + one["as_decided"] }, :>=, 1
    second = @site.newest_crawl
    before = fix("directives").benefit
    crawl_with("/out" => page("Out", "<a href=/>home</a>", head: NOINDEX))
    assert_equal "returned", fix("directives").state
    assert_match(/1 of its faults is there again/, fix("directives").history.last["why"])
    assert_in_delta before, fix("directives").benefit, before
    assert_equal 1, Fix.of(@site).where(kind: "directives").count
    third = @site.newest_crawl
    late = fix("directives").history.map { |one| one.merge("at" => (third.finished_at + 3600).utc.iso8601(3)) }
    fix("directives").update!(history: late)
    of = ->(*crawls) { Store::Reports::Comparison.new(*crawls.map(&:reload)).call[:fixes].map { |one| one["id"] } }
    assert_includes of.call(third, second), fix("directives").name, "however late it was worked out"
    refute_includes of.call(second, @crawl), fix("directives").name
  end

  def test_a_cache_that_shows_a_crawl_what_is_long_mended_brings_nothing_back
    claimed("directives")
    crawl_with("/out" => page("Out", "<a href=/>home</a>"))
    cached = page("Out", "<a href=/>home</a>", head: NOINDEX)
    crawl_with("/out" => ->(env) { env["QUERY_STRING"].empty? ? cached : page("Out", "<a href=/>home</a>") })
    assert_equal "proved", fix("directives").state
  end

  def test_what_was_claimed_while_it_crawled_is_not_judged_by_that_crawl
    @server.change("/" => page("Home", HOME))
    claimed("directives")
    fix("directives").update!(claimed_at: Time.now + 3600)
    crawl_with("/a" => page("Lamp a"))
    assert_equal "claimed", fix("directives").state
  end

  # Closed, seen so by the index, and only then blocked: before, a block would hide the noindex.
  def test_what_has_left_the_index_may_be_blocked
    out = page("Lamp a", "<a href=/>home</a>", head: NOINDEX)
    decide("intent", "#{SMALL}/a" => {"intent" => "keep_out"})
    judged
    remade
    claim(fix_of("stray"))
    crawl_with("/a" => out, "/out" => page("Out", "<a href=/>home</a>"))
    assert_nil fix_of("decided-block"), "no index was heard"
    import("standings", "url,standing\n#{SMALL}/a,in_index\n", index: "Gaz", date: Date.new(2026, 11, 26))
    judged
    remade
    assert_nil fix_of("decided-block"), "the index holds it still"
    import("standings", "url,standing\n#{SMALL}/a,turned_away_noindex\n", index: "Gaz", date: Date.new(2026, 11, 27))
    judged
    remade
    block = fix_of("decided-block")
    assert_equal ["robots", "#{SMALL}/robots.txt", "block", 1.0], block.slice(*%w[kind place cause hours]).values
    line = Work::Workplan::Listing.new(@site).call.find { |one| one["id"] == block.name }
    file = line["text"].find { |one| one["name"] == "robots.txt" }["content"]
    assert_includes file, "Disallow: /secret\n"
    assert_includes file, "Disallow: /a$\n"
    assert_equal [{"url" => "#{SMALL}/a", "condition" => "is blocked by robots.txt"}], line["conditions"]

    claim(block)
    assert_equal "not done", proved.first["state"]
    @server.change("/robots.txt" => [503, {}, ""])
    claim(block.reload)
    assert_equal "claimed", proved.first["state"], "a robots.txt that fails shuts all, which is no proof"
    @server.change("/robots.txt" => [200, {"content-type" => "text/plain"}, file])
    assert_equal "proved", proved.first["state"]
  end

  def test_what_was_left_can_t_be_proved_and_unknown_ones_are_told
    left = fix("directives")
    left.become("left", now: NOW)
    error = assert_raises(IronTrellis::Core::Error::InvalidInput) { proved(left.name) }
    assert_match(/was left/, error.message)
    assert_raises(IronTrellis::Core::Error::InvalidInput) { proved("F999") }
  end

  private

  def moved(to, status = 301) = [status, {"location" => to}, ""]

  def fix(kind) = Fix.of(@site).where(kind: kind).order(:number).first

  def fix_of(code) = Fix.of(@site).find { |one| one.faults.any? { |fault| fault["code"] == code } }

  def claimed(*kinds) = kinds.each { |kind| claim(fix(kind)) }

  def claim(fix) = Work::Workplan::Claiming.call(@site, [fix.name], now: Time.now)

  def proved(*ids)
    fixes = Work::Proofs::Proving.asked(@site, ids)
    Work::Proofs::Proving.new(@site, clock: -> { Time.now }).call(fixes)
  end

  def decide(kind, values) =
    @site.decisions.decide(
      kind,
      values.to_h { |subject, value| [subject, value].then { IronTrellis::Core::Decisions::Registry.read(kind, *_1) } },
      by: "A test",
      now: Time.now
    )

  def judged = Work::Judging::Judgement.alone(@site.newest_crawl.reload, clock: -> { Time.now })

  def remade = Work::Workplan::RegenerateFixes.keep_up(@site.reload, now: Time.now)

  def crawl_with(pages)
    @server.change(pages)
    crawl = crawl_here(@server, site: @site)
    crawl.update_columns(state: "finished", fetching_ended_at: Time.now, finished_at: Time.now)
    judged
    remade
  end
end
