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
    W::FixBuilder.new(pages: pages, layouts: W::Layouts.new(sets), files: {"#{A}/sitemap.xml" => true}).call(
      entries,
      kept: kept
    )

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

  def test_more_than_half_of_a_group_of_five_and_more_is_the_templates_doing
    thin = ->(count) { (1..count).map { |number| entry("noindex-wanted", "/p/#{number}") } }
    rest = [entry("stray-header", "/p/1")]
    assert_equal [%w[directives /p/ pages]], keys(gathered(thin.call(4) + rest))
    assert_equal [%w[directives /p/ template], %w[directives /p/ pages]], keys(gathered(thin.call(5) + rest))
    assert_equal [%w[directives /p/ pages]], keys(gathered(thin.call(4), pages: {"/p/" => 4}))
    bloat = entry("bloat", about: "/p/", group: nil)
    assert_equal [%w[directives /p/ template]], keys(gathered([bloat]))
  end

  def test_content_by_template_and_code_or_by_ten_pages_the_most_important_first
    template = (1..5).map { |number| entry("h1-missing", "/p/#{number}") }
    pages = (1..12).map { |number| entry("title-long", "/q/#{number}", group: "/q/", importance: number) }
    more = entry("thin", "/q/12", group: "/q/")
    drafts = gathered(template + pages + [more], pages: {"/p/" => 8, "/q/" => 40})
    assert_equal [
      ["content", "/p/", "template h1-missing"],
      ["content", "/q/", "pages 1"],
      ["content", "/q/", "pages 2"]
    ],
      keys(drafts)
    assert_equal (3..12).map { |number| "#{A}/q/#{number}" }.sort, drafts[1].urls.sort
    kept = {"/q/ #{A}/q/1" => 1, "/q/ #{A}/q/2" => 2}
    first, last = gathered(pages, pages: {"/q/" => 40}, kept: kept)
    assert_includes first.urls, "#{A}/q/1"
    assert_includes last.urls, "#{A}/q/12", "new ones fill the last"
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
          entry("copy-exact", "/p/1"),
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
      hours.call(entry("noindex-wanted", "/p/1"), entry("stray-header", "/p/2"), entry("stray", "/p/2"))
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
