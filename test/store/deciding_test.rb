# frozen_string_literal: true

require_relative "../test_helper"

# What the workbenches of the stage Decide read of a small site that was crawled twice.
class DecidingStoreTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  Work = IronTrellis::Work
  Store = IronTrellis::Store
  HOST = "http://small.example"
  MENU = "<nav><a href=/moved>Our moved page</a></nav>"

  def page_of(title, body: "", head: "", words: 60)
    "<!doctype html><html lang=en><head><title>#{title}</title>#{head}</head><body>#{MENU}<main><h1>#{title}</h1>" \
    "<p>#{(1..words).map { |number| "#{title.downcase.tr(" ", "-")}#{number}" }.join(" ")}</p>#{body}</main></body>" \
    "</html>"
  end

  def links(*paths) = paths.map { |path| "<a href=#{path}>To #{path}</a>" }.join(" ")

  # In the second crawl a guide has moved without a word, and a page is gone.
  def setup
    super
    @pages = {
      "/robots.txt" => [200, {"content-type" => "text/plain"}, "User-agent: *\nDisallow: /private/\n"],
      "/" =>
        page_of(
          "Home",
          body:
            links(
              "/guides/wick",
              "/guides/oil",
              "/guides/rope",
              "/guides/knot",
              "/guides/sail",
              "/tags/a",
              "/tags/b",
              "/tags/c",
              "/private/x",
              "/old"
            )
        ),
      "/guides/wick" => page_of("Trimming wicks"),
      "/guides/oil" => page_of("Oil lamps"),
      "/guides/rope" => page_of("Rope"),
      "/guides/knot" => page_of("Knots"),
      "/guides/sail" => page_of("Sails", body: links("/tags/a")),
      "/tags/a" => page_of("Tag a", body: links("/only-here")),
      "/tags/b" => page_of("Tag b"),
      "/tags/c" => page_of("Tag c"),
      "/only-here" => page_of("Only here"),
      "/private/x" => page_of("Private"),
      "/help/wicks-trimmed" => page_of("Another"),
      "/moved" => [301, {"location" => "/there"}, ""],
      "/there" => page_of("There"),
      "/old" => page_of("Old news")
    }
    @server = SmallSite.new(@pages)
    @first = crawl_here(@server)
    @first.update!(state: "finished")
    @site = @first.site
    @pages["/help/trimming"] = @pages["/guides/wick"]
    @pages["/guides/wick"] = @pages["/old"] = [404, {"content-type" => "text/html"}, "no"]
    @pages["/"] = page_of(
      "Home",
      body:
        links(
          "/guides/wick",
          "/help/trimming",
          "/guides/oil",
          "/guides/rope",
          "/guides/knot",
          "/guides/sail",
          "/tags/a",
          "/tags/b",
          "/tags/c",
          "/private/x"
        )
    )
    @second = crawl_here(@server, site: @site)
    @second.update!(state: "finished")
    @run = @second.verdict_run
  end

  def decide(kind, values) =
    @site.decisions.decide(
      kind,
      values.to_h { |subject, value| IronTrellis::Core::Decisions::Registry.read(kind, subject, value) },
      by: "Test",
      now: Time.now
    )

  def paths(found) = found.fetch(:rows).map { |row| (row[:url] || row["url"]).delete_prefix(HOST) }

  def test_an_earlier_crawl_tells_what_a_lost_page_was
    Work::Redirects::SuggestedTargets.new(@run, clock: -> { Time.now }).call
    broken = Store::Redirects::FoundRedirects.new(@run.reload, @site).broken
    assert_equal ["#{HOST}/guides/wick"], broken[:rows].map { |row| row["url"] }
    best = broken[:rows].first["suggestions"].first
    assert_equal ["#{HOST}/help/trimming", 301], best.values_at("target", "status")
    assert_equal ["its text is the same", "its title is the same"], best["reasons"].first(2)
    refute_nil broken[:suggested_at]
  end

  def test_a_map_is_held_against_the_pages_that_live
    decide(
      "route",
      "#{HOST}/guides/oil" => {
        "to" => "#{HOST}/guides/rope",
        "status" => 301
      },
      "#{HOST}/x" => {
        "to" => "#{HOST}/guides/wick",
        "status" => 301
      },
      "#{HOST}/y" => {
        "to" => "#{HOST}/moved",
        "status" => 301
      },
      "#{HOST}/z" => {
        "status" => 410,
        "refused" => true
      }
    )
    map = Store::Redirects::RouteMap.new(@site, @run).call
    assert_equal [%w[route-source-lives 200], %w[route-to-missing 404], ["route-to-redirect", "#{HOST}/there"]],
      map[:routes].flat_map { |route| route[:flaws].map { |flaw| flaw.values_at(:code, :about) } }
    assert_equal [3, 1], [map[:routes].size, map[:refused]]
  end

  def test_a_pattern_is_tried_against_all_known_urls
    trial =
      Store::Redirects::RouteMap.new(@site, @run).trial(
        IronTrellis::Core::Redirects::Route.new(
          from: "#{HOST}/tags/*",
          to: "#{HOST}/topics/$1",
          status: 301,
          kind: "pattern",
          query: "drop"
        )
      )
    assert_equal [3, 3, ["#{HOST}/topics/a", "#{HOST}/topics/b", "#{HOST}/topics/c"]],
      [trial[:total], trial[:living], trial[:rows].map { |row| row[:target] }.sort]
  end

  def test_patterns_are_tried_in_the_order_that_was_given_them
    decide(
      "route",
      "#{HOST}/a*" => {
        "to" => "#{HOST}/1",
        "status" => 301,
        "kind" => "pattern"
      },
      "#{HOST}/ab*" => {
        "to" => "#{HOST}/2",
        "status" => 301,
        "kind" => "pattern",
        "order" => -1
      }
    )
    assert_equal ["#{HOST}/ab*", "#{HOST}/a*"], Store::Redirects::RouteMap.new(@site, @run).routes.map(&:from)
  end

  def test_routes_are_tested_against_the_server
    decide(
      "route",
      "#{HOST}/moved" => {
        "to" => "#{HOST}/there",
        "status" => 301
      },
      "#{HOST}/guides/wick" => {
        "status" => 410
      }
    )
    Work::Redirects::LiveCheck.new(@site, clock: -> { Time.now }).call(
      Store::Redirects::RouteMap.new(@site, @run).flattened
    )
    tests =
      Store::Redirects::RouteMap.new(@site, @run).call[:routes].to_h do |route|
        [route[:from].delete_prefix(HOST), route[:test].values_at(:status, :right)]
      end
    assert_equal({"/moved" => [301, true], "/guides/wick" => [404, false]}, tests)
  end

  def test_links_to_repoint_tell_templates_from_single_links
    found = Store::Redirects::LinksToRepoint.new(@run, @site).call
    assert_equal [found[:rows].size, found[:rows].sum { |row| row["pages"] }], found.values_at(:kinds, :total)
    rows = found[:rows].to_h { |row| [row["target"].delete_prefix(HOST), row] }
    assert_equal [true, "nav", "#{HOST}/there"], rows["/moved"].values_at("template", "place", "better")
    assert_equal [false, 1, nil], rows["/guides/wick"].values_at("template", "pages", "better")
    decide("route", "#{HOST}/guides/wick" => {"to" => "#{HOST}/help/trimming", "status" => 301})
    decide("repoint", "#{HOST}/moved" => {"target" => "#{HOST}/guides/oil", "text" => "Oil"})
    each =
      Store::Redirects::LinksToRepoint
        .new(@run, @site)
        .to_enum(:each)
        .to_h { |row| [row[3].delete_prefix(HOST), row.values_at(6, 7)] }
    assert_equal(
      {"/moved" => ["#{HOST}/guides/oil", "Oil"], "/guides/wick" => ["#{HOST}/help/trimming", "To /guides/wick"]},
      each
    )
  end

  def test_what_keeping_a_group_out_would_change
    change =
      Store::Intents::Preview.new(@run, @site).call(
        [
          {"kind" => "group", "subject" => "/tags/", "value" => {"intent" => "keep_out"}},
          {"kind" => "intent", "subject" => "#{HOST}/only-here", "value" => {"intent" => "index"}}
        ]
      )
    assert_equal %w[/tags/a /tags/b /tags/c], paths(change[:gets_noindex]).sort
    assert_equal %w[/only-here], paths(change[:cut_off])
    assert_equal [3, %w[/only-here]], [change[:links_useless][:total], paths(change[:joins_sitemaps])]
    assert_raises(IronTrellis::Core::Error::InvalidInput) do
      Store::Intents::Preview.new(@run, @site).call(
        [{"kind" => "route", "subject" => HOST, "value" => {"status" => 410}}]
      )
    end
  end

  # Of what is to be kept out no rule says that it is thin; the group's number doesn't wait for the judging either.
  def test_thin_pages_are_counted_before_and_after_a_decision_is_judged
    %w[a b c].each { |tag| @pages["/tags/#{tag}"] = page_of("Tag #{tag}", words: 20) }
    crawl = crawl_here(@server, site: @site)
    thin = -> {
      groups = Store::Intents::GroupEvidence.new(crawl.reload.verdict_run, @site).groups
      groups.find { |one| one["group"] == "/tags/" }["thin"]
    }
    assert_equal 3, thin.call
    decide("group", "/tags/" => {"intent" => "keep_out"})
    assert_equal 3, thin.call
    Work::Judging::Judgement.alone(crawl, clock: -> { Time.now })
    assert_equal 3, thin.call
    assert_equal %w[keep_out] * 3, rows_of(crawl).values_at("/tags/a", "/tags/b", "/tags/c").map { |row| row["intent"] }
  end

  def test_what_was_decided_by_a_pattern_or_for_a_url_is_not_proposed_again
    proposed = -> { Store::Intents::GroupEvidence.new(@run, @site).proposals.map { |one| [one[:group], one[:urls]] } }
    %w[a b c].each { |tag| @pages["/tags/#{tag}"] = page_of("Tag #{tag}", words: 20) }
    @pages["/thanks"] = page_of("Thank you")
    @pages["/"] = page_of("Home", body: links("/thanks", "/tags/a", "/tags/b", "/tags/c"))
    @run = crawl_here(@server, site: @site).verdict_run
    assert_includes proposed.call, ["/tags/", nil]
    assert_includes proposed.call, ["/", ["#{HOST}/thanks"]]
    decide("intent", "/thanks" => {"intent" => "keep_out"})
    decide("group", "/tags/" => {"intent" => "index"})
    refute_includes proposed.call.map(&:first), "/tags/"
    refute_includes proposed.call, ["/", ["#{HOST}/thanks"]]
  end

  def test_directives_of_a_whole_group_are_those_of_its_template
    decide("group", "/tags/" => {"intent" => "keep_out"})
    decide("intent", "#{HOST}/guides/oil" => {"intent" => "keep_out"})
    Work::Judging::Judgement.alone(@second, clock: -> { Time.now })
    groups =
      Store::Intents::DirectiveList.new(@second.verdict_run).by_group[:groups].to_h do |one|
        [one[:group], one.values_at(:template, :urls, :text)]
      end
    assert_equal(
      {
        "/tags/" => [true, 3, '<meta name="robots" content="noindex">'],
        "/guides/" => [false, 1, '<meta name="robots" content="noindex">']
      },
      groups
    )
  end

  def test_a_draft_of_robots_txt_is_held_against_all_known_urls
    book = Store::Robots::Drafts.new(@run, @site)
    trial = book.trial(HOST, "User-agent: *\nDisallow: /guides/\n")
    assert_equal [["/private/x"], true], [paths(trial[:freed]), paths(trial[:shut]).include?("/guides/oil")]
    assert_equal 2, trial[:difference].count { |line| line[:change] != "same" }
    decide("robots", HOST => {"text" => "User-agent: *\nDisallow:\n"})
    assert_equal [{origin: HOST, status: 200, draft: true}], Store::Robots::Drafts.new(@run, @site).origins
    assert_raises(IronTrellis::Core::Error::NotFound) { book.trial("http://other.example") }
  end

  def test_what_cannot_be_decided_is_told
    {
      "route" => [
        ["#{HOST}/x", {"to" => "#{HOST}/y", "status" => 410}, /410 says/],
        ["#{HOST}/x", {"to" => "", "status" => 301}, /needs a target/],
        ["#{HOST}/*", {"to" => "#{HOST}/$2", "status" => 301, "kind" => "pattern"}, /asks for part 2/],
        ["#{HOST}/x", {"to" => "/y", "status" => 301}, /whole web address/]
      ],
      "languages" => [
        [HOST, {"pages" => {"en" => HOST}}, /at least two/],
        [HOST, {"pages" => {"en" => HOST, "xx" => HOST}}, /xx can't be used/]
      ],
      "intent" => [["/x/*", {"intent" => "maybe"}, /no intent/]],
      "sitemaps" => [
        ["all", {"rebuild" => "never"}, /no time/],
        ["all", {"priority" => {"/" => 2}}, /from 0 to 1/],
        ["all", {"changefreq" => {"/" => "often"}}, /no changefreq/]
      ],
      "robots" => [[HOST, {"text" => "x" * 600_000}, /500 KiB/]]
    }.each do |kind, cases|
      cases.each do |subject, value, message|
        assert_match message,
          assert_raises(IronTrellis::Core::Error::InvalidInput) { decide(kind, subject => value) }.message
      end
    end
  end

  def test_what_a_draft_would_hide_is_told_and_foreign_hosts_have_no_draft
    decide("intent", "#{HOST}/guides/oil" => {"intent" => "keep_out"})
    @pages["/guides/rope"] = page_of("Rope", head: "<meta name=robots content=noindex>")
    third = crawl_here(@server, site: @site)
    Store::Postgres::Sql.run(
      "INSERT INTO robots_files (crawl_id, origin, status, body, fetched_at) VALUES ($1, 'http://a.foreign.example', " \
      "200, '', now())",
      [third.id]
    )
    book = Store::Robots::Drafts.new(third.verdict_run, @site)
    assert_equal [HOST], book.origins.map { |one| one[:origin] }
    trial = book.trial(HOST, "User-agent: *\nDisallow: /guides/\n")
    assert_equal [1, 1, %w[/guides/rope /guides/oil]],
      [
        trial[:hidden][:noindex],
        trial[:hidden][:to_keep_out],
        trial[:hidden][:rows].map { |row| row["url"].delete_prefix(HOST) }
      ]
    assert_equal({noindex: 0, to_keep_out: 0, rows: []}, book.trial(HOST, "User-agent: *\nDisallow: /tags/\n")[:hidden])
  end

  def test_lost_addresses_say_what_they_held_and_alike_ones_make_one_row
    moved = (1..6).to_h { |number| ["/shop/lamp-x#{number}y", [404, {}, ""]] }
    @pages.merge!(moved).merge!(
      (1..6).to_h { |number| ["/lamps/lamp-x#{number}y", page_of("Lamp x#{number}y of brass")] }
    )
    @pages["/"] = page_of(
      "Home",
      body: links("/guides/wick", "/removed", "/shop/", *moved.keys, *(1..6).map { |number| "/lamps/lamp-x#{number}y" })
    )
    @pages["/removed"] = [410, {}, ""]
    crawl = crawl_here(@server, site: @site)
    crawl.update!(state: "finished")
    Work::Redirects::SuggestedTargets.new(crawl.verdict_run, clock: -> { Time.now }).call
    broken = Store::Redirects::FoundRedirects.new(crawl.verdict_run.reload, @site).broken
    rows = broken[:rows].to_h { |row| [row["url"].delete_prefix(HOST), row] }
    refute rows.key?("/removed"), "it says already that it is gone"
    assert_equal [1, "Trimming wicks"], rows["/guides/wick"]["held"].values_at("crawl", "title")
    assert_nil rows["/shop/"]["held"]
    assert_equal [["#{HOST}/shop/*", "#{HOST}/lamps/$1", 301, 6]],
      broken[:groups].map { |group| group.values_at(:pattern, :to, :status, :count) }
    decide("route", "#{HOST}/shop/*" => {"to" => "#{HOST}/lamps/$1", "status" => 301, "kind" => "pattern"})
    assert_empty Store::Redirects::FoundRedirects.new(crawl.verdict_run, @site).broken[:groups]
  end

  def test_patterns_are_tested_on_known_addresses_and_their_targets_are_checked
    decide(
      "route",
      "#{HOST}/tags/*" => {
        "to" => "#{HOST}/guides/wick?tag=$1",
        "status" => 301,
        "kind" => "pattern"
      },
      "#{HOST}/nobody/*" => {
        "to" => "#{HOST}/",
        "status" => 301,
        "kind" => "pattern"
      },
      "#{HOST}/moved" => {
        "to" => "#{HOST}/there",
        "status" => 301
      }
    )
    decide("route", "#{HOST}/private/*" => {"to" => "#{HOST}/guides/wick", "status" => 301, "kind" => "pattern"})
    map = Store::Redirects::RouteMap.new(@site, @run)
    assert_equal [["route-to-missing"]],
      map.call[:routes]
        .select { |route| route[:from].end_with?("/private/*") }
        .map { |route| route[:flaws].map { |flaw| flaw[:code] } }
    Work::Redirects::LiveCheck.new(@site, clock: -> { Time.now }).call(map.flattened)
    tests =
      Store::Redirects::RouteTest
        .where(site_id: @site.id)
        .to_h { |test| [test.source.delete_prefix(HOST), [test.status, test.error, test.right]] }
    assert_equal(
      {
        "/tags/*" => [200, nil, false],
        "/nobody/*" => [nil, "no known address", false],
        "/moved" => [301, nil, true],
        "/private/*" => [200, nil, false]
      },
      tests
    )
  end

  def test_sources_may_be_paths_in_the_form_too
    Work::Decisions::Decide.decide(
      @site,
      "route",
      [{"subject" => "/x/y", "value" => {"to" => "/guides/oil", "status" => 301}}],
      by: "Test",
      now: Time.now
    )
    assert_equal(
      {"#{HOST}/x/y" => "#{HOST}/guides/oil"},
      @site.decisions.values("route").transform_values { |value| value["to"] }
    )
  end

  def test_suggestions_are_asked_for_once
    assert_equal [true, false], Array.new(2) { Work::Redirects::SuggestedTargets.ask(@run, now: Time.now) }
    assert Work::Redirects::SuggestedTargets.ask(@run, now: Time.now + 3600), "who asked may have died over it"
  end

  def test_what_the_setup_says_is_wanted_is_judged_as_well
    jobs = -> do
      Store::Postgres::Sql
        .run(
          "SELECT count(*) FROM que_jobs WHERE job_class LIKE '%Rejudge' AND kwargs ->> 'crawl_id' = $1",
          [@second.id.to_s]
        )
        .getvalue(0, 0)
        .to_i
    end
    wishes = {intents: [{"pattern" => "/tags/*", "intent" => "keep_out"}], key_pages: []}
    2.times { IronTrellis::Work::Intents::UpdateIntents.change(@site, **wishes, by: "Test", now: Time.now) }
    assert_equal 1, jobs.call, "and only where it changes anything"
  end
end
