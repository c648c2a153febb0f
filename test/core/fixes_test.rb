# frozen_string_literal: true

require_relative "../test_helper"

# What is to be mended, gathered into fixes: which kind, for which place and cause, what it is worth, how long it takes,
# and what must come before.
class FixesTest < Minitest::Test
  W = IronTrellis::Core::Workplan
  A = "http://a.test"

  def entry(code, path = nil, about: nil, grade: nil, group: "/p/", importance: 50, **more)
    rule = IronTrellis::Core::Faults::Registry.all.find { |one| one.code == code }
    grade ||= rule ? W::Entry::GRADES.fetch(rule.grade) : 0.6
    W::Entry.new(
      code: code,
      url: path && "#{A}#{path}",
      about: about,
      grade: grade,
      group: group,
      importance: importance,
      **more
    )
  end

  def gathered(entries, pages: {"/p/" => 8}, kept: {}, sets: {}) =
    W::FixBuilder.new(
      pages: pages.transform_keys { |key| (Array(key).size == 2) ? key : ["a.test", key] },
      layouts: W::Layouts.new(sets),
      files: {"#{A}/sitemap.xml" => true}
    ).call(entries, kept: kept)

  def keys(drafts) = drafts.map(&:key)

  def test_every_rule_has_a_kind_of_work
    rules = IronTrellis::Core::Faults::Registry.all
    assert_equal %w[hide-running-out], rules.map(&:code).reject { |code| W::Kinds.of(code, {"crawl" => "404"}) }
    assert_empty rules.filter_map(&:kind) - W::Kinds::ALL
    assert_empty rules.map(&:element) - ["text", *W::Effort::ELEMENTS.keys]
    assert_equal ["content"], rules.select { |rule| rule.element != "text" }.map(&:kind).uniq
    assert_equal %w[server redirects canonicals server],
      [
        W::Kinds.of("redirect-downgrade"),
        W::Kinds.of("redirect-chain"),
        W::Kinds.of("parameter-variants", chosen: true),
        W::Kinds.of("parameter-variants")
      ]
    assert_equal %w[directives redirects robots],
      ["noindex", "410", "blocked by robots.txt"].map { |seen|
        W::Kinds.of("index-stale", {"crawl" => seen})
      }
  end

  def test_what_lies_at_one_place_for_one_cause_is_one_fix
    drafts =
      gathered(
        [
          entry("server-error", "/p/1"),
          entry("slow", "/p/2"),
          entry("host-variants", "/"),
          entry("blocked-wanted", "/p/3"),
          entry("blocked-resource", "/p/4", about: "http://b.test/x.js"),
          entry("not-found", "/p/5"),
          entry("redirect-chain", "/p/6"),
          entry("sitemap-lists-missing", "/p/5", about: "#{A}/sitemap.xml"),
          entry("sitemap-omits", "/p/7"),
          entry("waiting", "/p/8")
        ]
      )
    assert_equal [
      %w[server /p/ server-error],
      %w[server /p/ slow],
      %w[server a.test host-variants],
      ["robots", "#{A}/robots.txt", "open"],
      %w[robots http://b.test/robots.txt open],
      %w[redirects a.test map],
      %w[sitemaps a.test files],
      ["request", "site", "portion 1"]
    ],
      keys(drafts)
  end

  def many(code, count, folder = "/p/", **more) =
    (1..count).map { |number| entry(code, "#{folder}#{number}", group: folder, **more) }

  def test_more_than_half_of_a_group_of_five_and_more_is_the_templates_doing
    rest = [entry("stray-header", "/p/1")]
    assert_equal [["directives", "a.test", "pages 1"]], keys(gathered(many("noindex-wanted", 4) + rest))
    assert_equal [%w[directives /p/ template], ["directives", "a.test", "pages 1"]],
      keys(gathered(many("noindex-wanted", 5) + rest))
    assert_equal [["directives", "a.test", "pages 1"]], keys(gathered(many("noindex-wanted", 4), pages: {"/p/" => 4}))
    bloat = entry("bloat", about: "/p/", group: nil)
    assert_equal [%w[directives /p/ template]], keys(gathered([bloat]))
  end

  def test_what_nearly_all_pages_of_a_host_have_is_the_base_template
    pages = {"/p/" => 10, "/q/" => 5}
    found = many("canonical-missing", 9) + many("canonical-missing", 3, "/q/")
    assert_equal [["canonicals", "a.test", "base"]], keys(gathered(found, pages: pages)), "12 of 15, in two groups"
    assert_equal [["canonicals", "/p/", "template"]], keys(gathered(many("canonical-missing", 10), pages: pages))
    assert_equal [["canonicals", "a.test", "base"]],
      keys(gathered(many("canonical-missing", 10), pages: {"/p/" => 12})), "its only group"
    assert_equal [["canonicals", "/p/", "template"]], keys(gathered(many("canonical-missing", 9), pages: {"/p/" => 9}))
    both = gathered(found + many("canonical-many", 10) + many("canonical-many", 2, "/q/"), pages: pages).first
    assert_equal [true, 2.5, "developer"], [both.template, W::Effort.new.of(both), both.role]
    assert_equal "Add canonical tags, correct canonical tags (base template)", W::Titles.title(both)
  end

  # Each host has to reach it by itself; where they share one template it is done once.
  def test_hosts_that_share_a_template_are_told_at_the_one_with_most_pages
    found = many("canonical-missing", 10)
    other = found.map { |one| W::Entry.new(**one.to_h, url: one.url.sub("a.test", "b.test")) }
    pages = {["a.test", "/p/"] => 10, ["b.test", "/p/"] => 10}
    builder = ->(families) { W::FixBuilder.new(pages: pages, layouts: W::Layouts.new({}), families: families) }
    assert_equal %w[a.test b.test], builder.call({}).call(found + other).map(&:place)
    shared = builder.call({"a.test" => "a.test", "b.test" => "a.test"}).call(found + other)
    assert_equal [["canonicals", "a.test", "base"]], keys(shared)
    assert_match(/The same template serves b\.test/, W::Titles.reason(shared.first))
    pages[["b.test", "/p/"]] = 30
    assert_equal [["canonicals", "a.test", "base"], ["canonicals", "b.test", "pages 1"]],
      keys(builder.call({"a.test" => "a.test", "b.test" => "a.test"}).call(found + other))
  end

  def test_single_pages_of_a_host_in_portions_of_a_day
    found = many("thin", 12, "/q/", wanted: true).each_with_index { |one, at| one.importance = at }
    pages = {"/q/" => 40}
    drafts = gathered(found, pages: pages)
    assert_equal [["content", "a.test", "pages 1"], ["content", "a.test", "pages 2"], ["content", "a.test", "pages 3"]],
      keys(drafts)
    assert_equal [5, 5, 2], drafts.map { |draft| draft.urls.size }, "an hour and a half each, eight at most"
    assert_includes drafts.first.urls, "#{A}/q/12", "the most important first"
    kept = {%w[content a.test] => {"#{A}/q/1" => 1, "#{A}/q/2" => 2}}
    first, *, last = gathered(found, pages: pages, kept: kept)
    assert_includes first.urls, "#{A}/q/1"
    assert_includes last.urls, "#{A}/q/3", "new ones fill the last"
    long = (1..200).map { |number| entry("link-to-missing", "/q/1", about: "#{A}/x#{number}", group: "/q/") }
    assert_equal [["links", "a.test", "pages 1"], ["links", "a.test", "pages 2"]],
      keys(gathered([*long, entry("dead-end", "/q/2", group: "/q/")], pages: pages)), "a page is never split"
  end

  def test_words_only_on_pages_that_should_be_indexed_and_at_most_three_portions
    pages = {"/q/" => 90}
    wanted = many("thin", 20, "/q/", wanted: true, importance: 30)
    poor = entry("title-long", "/q/x", group: "/q/", importance: 49)
    rich = entry("title-long", "/q/y", group: "/q/", importance: 50)
    kept_out = entry("title-long", "/q/z", group: "/q/", importance: 90, intent: "keep_out")
    drafts = gathered([*wanted, poor, rich, kept_out], pages: pages)
    assert_equal ["pages 1", "pages 2", "pages 3", "later"], drafts.map(&:cause)
    later = drafts.last
    assert_includes drafts[0..2].flat_map(&:urls), rich.url
    assert_empty [poor.url, kept_out.url] - later.urls
    assert_equal ["editor", true], [later.role, later.urls.size > 2]
    assert_match(/\ALater: rewrite titles and texts, \d+ pages of a\.test\z/, W::Titles.title(later))
    improve = entry("improve", "/q/1", group: "/q/", importance: 3)
    assert_equal ["pages 1"], gathered([improve], pages: pages).map(&:cause)
  end

  def test_a_fault_of_the_server_in_three_groups_is_one_of_the_host
    pages = {"/p/" => 8, "/q/" => 8, "/r/" => 8}
    some = %w[/p/ /q/].flat_map { |folder| many("soft-missing", 2, folder) }
    assert_equal %w[/p/ /q/], gathered(some, pages: pages).map(&:place)
    one = gathered(some + many("soft-missing", 1, "/r/"), pages: pages)
    assert_equal [["server", "a.test", "soft-missing"]], keys(one)
    assert_equal [4.0, "Return 404 instead of 200 for missing pages: a.test (5 pages)"],
      [W::Effort.new.of(one.first), W::Titles.title(one.first)]
  end

  def test_what_is_never_shown_is_work_only_with_a_near_win_or_a_decision
    assert_empty gathered([entry("wanted-unseen", "/p/1", wanted: true)])
    %w[near-win improve].each do |other|
      drafts = gathered(["wanted-unseen", other].map { |code| entry(code, "/p/1", wanted: true) })
      assert_equal ["wanted-unseen", other], drafts.first.entries.map(&:code)
    end
  end

  def test_titles_are_what_a_ticket_would_be_called
    title = ->(*entries) { W::Titles.title(gathered(entries).first) }
    assert_equal "Remove noindex: /p/ (3 pages)", title.call(*many("noindex-wanted", 3))
    assert_equal "Remove noindex, add noindex: /p/ (2 pages)",
      title.call(entry("noindex-wanted", "/p/1"), entry("stray", "/p/2"))
    assert_equal "301 redirects for 2 lost URLs", title.call(entry("not-found", "/x"), entry("not-found", "/y"))
    assert_equal "Correct redirects (1 URL)", title.call(entry("redirect-chain", "/x"))
    assert_equal "Open robots.txt for /lamps/", title.call(entry("blocked-wanted", "/lamps/1"))
    assert_equal "Correct robots.txt: #{A}/robots.txt", title.call(entry("robots-syntax", "/robots.txt"))
    assert_equal "Request recrawl (2 pages)", title.call(entry("waiting", "/p/1"), entry("waiting", "/p/2"))
    assert_equal "Rewrite titles and descriptions: 2 pages of /p/",
      title.call(entry("title-long", "/p/1", wanted: true), entry("description-missing", "/p/2", wanted: true))
    assert_equal "Add canonical tags: template of /p/ (5 pages)", title.call(*many("canonical-missing", 5))
    assert_equal "Add noindex: template of /p/", title.call(entry("bloat", about: "/p/", group: nil))
  end

  def test_each_kind_of_work_has_its_role
    role = ->(*entries) { gathered(entries).first.role }
    assert_equal %w[developer editor developer auditor auditor editor],
      [
        role.call(*many("canonical-missing", 5)),
        role.call(entry("canonical-missing", "/p/1")),
        role.call(entry("not-found", "/x")),
        role.call(entry("sitemap-omits", "/x")),
        role.call(entry("waiting", "/x")),
        role.call(entry("link-to-missing", "/p/1", about: "/x"))
      ]
  end

  # The pages that a group takes from the index, by what pages that should be there are worth.
  def test_what_fills_the_index_weighs_what_it_takes
    bloat = entry("bloat", about: "/p/", group: nil, importance: 40, detail: {"in_index" => 12})
    drafts = gathered([bloat])
    assert_equal 96.0, W::Worth.new(drafts).of(drafts.first)
  end

  def test_notes_alone_make_no_fix
    assert_empty gathered([entry("title-equals-h1", "/p/1", grade: 0.0)])
    assert_equal 2, gathered([entry("title-equals-h1", "/p/1", grade: 0.0), entry("thin", "/p/1")]).first.entries.size
  end

  def test_a_site_that_names_no_language_is_a_templates_work
    draft = gathered([entry("hreflang-none", "/", about: "da, en")]).first
    assert_equal ["languages", true], [draft.kind, draft.template]
    assert_equal 3.0, W::Effort.new.of(draft)
  end

  # A page that doesn't tell its language is work on it, unless it names versions in other languages.
  def test_a_missing_language_is_work_on_hreflang_only_where_there_is_some
    own, named = entry("lang-missing", "/a"), entry("lang-missing", "/b", detail: {"languages" => %w[da en]})
    assert_equal %w[content languages], gathered([own, named]).map(&:kind).sort
    assert_equal 0.1, W::Effort.new.of(gathered([own]).first)
  end

  def test_languages_by_the_places_of_their_sets
    set = {"en" => "#{A}/en/x", "nl" => "#{A}/nl/x"}
    layouts = W::Layouts.new(set.values.to_h { |url| [url, set] })
    assert_equal "a.test/en/ + a.test/nl/", layouts.of("#{A}/en/x")
    assert_equal "a.test/en/ + a.test/nl/", layouts.of("#{A}/en/alone"), "the one layout that holds its place"
    assert_equal "a.test", layouts.of("#{A}/zz/x")
  end

  def test_what_stops_a_page_in_two_fixes_is_shared_and_what_weakens_it_is_not
    drafts =
      gathered(
        [
          entry("noindex-wanted", "/p/1"),
          entry("canonical-clash", "/p/1"),
          entry("slow", "/p/1"),
          entry("thin", "/p/1"),
          entry("stray-header", "/p/1")
        ]
      )
    worth = W::Worth.new(drafts)
    by_kind = drafts.to_h { |draft| [draft.kind, draft] }
    assert_equal [25.0, 25.0, 10.0, 10.0],
      %w[directives canonicals server content].map { |kind| worth.of(by_kind[kind]) }
    part = worth.parts(by_kind["canonicals"]).first
    assert_equal [50.0, "stops", 0.5], [part.importance, part.grade, part.share]
    assert_equal 1, worth.parts(by_kind["directives"]).size
  end

  def test_hours_by_the_table
    effort = W::Effort.new({}, sets: {"#{A}/en/x" => :one, "#{A}/nl/x" => :one})
    hours = ->(*entries) { gathered(entries).map { |draft| effort.of(draft) } }
    assert_equal [0.54], hours.call(entry("not-found", "/a"), entry("redirect-chain", "/b"), entry("gone-linked", "/c"))
    assert_equal [0.1],
      hours.call(
        entry("link-to-missing", "/p/1", about: "/x"),
        entry("link-to-missing", "/p/1", about: "/y")
      )
    assert_equal [0.5],
      hours.call(entry("noindex-wanted", "/p/1"), entry("stray-header", "/p/2"), entry("directive-conflict", "/p/2"))
    assert_equal [1.85],
      hours.call(
        *%w[title-long title-missing h1-many thin near-win facts-differ].map do |code|
          entry(code, "/p/1", about: "x")
        end,
        *%w[image-name image-no-alt].map { |code| entry(code, "/p/1", about: "/i.png") }
      )
    assert_equal [0.25, 0.25], hours.call(entry("hreflang-no-return", "/en/x"), entry("hreflang-no-self", "/nl/x"))
    assert_equal [4.0, 2.0, 1.0, 0.05],
      hours.call(
        entry("slow", "/p/1"),
        entry("sitemap-omits", "/p/1"),
        entry("waiting", "/p/1"),
        entry("blocked-wanted", "/p/1")
      ).values_at(0, 2, 1, 3)
  end

  def test_what_must_come_before_what
    drafts =
      gathered(
        [
          entry("blocked-wanted", "/p/1"),
          entry("canonical-missing", "/p/1"),
          entry("server-error", "/p/2"),
          entry("link-to-failing", "/p/3", about: "#{A}/p/2"),
          entry("not-found", "/p/4"),
          entry("link-to-missing", "/p/3", about: "#{A}/p/4"),
          entry("sitemap-omits", "/p/5"),
          entry("waiting", "/p/1")
        ]
      )
    before = W::Precedence.new(drafts).call
    kinds = before.to_h { |draft, some| [draft.kind, some.map(&:kind).sort] }
    assert_equal(
      {
        "server" => [],
        "robots" => [],
        "canonicals" => ["robots"],
        "redirects" => [],
        "links" => %w[redirects server],
        "sitemaps" => %w[canonicals redirects],
        "request" => %w[canonicals robots]
      },
      kinds
    )
  end
end
