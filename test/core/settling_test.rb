# frozen_string_literal: true

require_relative "../test_helper"

# Which missing addresses are one broken part of a site, and what needs no work of its own where other work is done.
class SettlingTest < Minitest::Test
  W = IronTrellis::Core::Workplan
  Sections = IronTrellis::Core::Redirects::BrokenSections
  A = "http://a.test"

  def found(missing, answering = []) =
    Sections.of(missing.map { |path| A + path }, answering.map { |path| A + path }).map do |section|
      [section.shape, section.urls.size, section.first_url.delete_prefix(A)]
    end

  def numbered(range, folder = "/volumes/") = range.map { |number| "#{folder}#{number}" }

  def test_a_part_that_is_missing_as_a_whole_is_one_section
    assert_equal [["/volumes/#", 6, "/volumes/1"]], found(numbered(1..6), %w[/ /volumes/ /letters/1])
    assert_equal [["/doc/*", 6, "/doc/a/b.html"]],
      found(%w[/doc/x.html /doc/y.html /doc/a/b.html /doc/a/c.html /doc/d/e /doc/z], %w[/ /docs/a])
    assert_equal [["/story.php?id=#", 5, "/story.php?id=1"]], found(numbered(1..5, "/story.php?id="), %w[/])
  end

  def test_odd_pages_among_others_are_none
    assert_empty found(numbered(1..4), %w[/])
    assert_empty found(numbered(1..6), numbered(10..16))
    assert_equal [["/volumes/#", 6, "/volumes/1"]], found(numbered(1..6), numbered(10..12))
    assert_empty found(%w[/blog/a /blog/b /blog/c /blog/d /blog/e], %w[/blog/f])
    assert_empty found(%w[/a /b /c /d /e /f], %w[/])
  end

  def test_what_moved_and_what_was_only_mistyped_is_none
    words = %w[lamps lenses wicks oils masts]
    assert_empty found(words.map { |word| "/old/#{word}" }, words.map { |word| "/new/#{word}" })
    assert_empty found(words.map { |word| "/press/www.#{word}.test/x" }, %w[/press/])
  end

  def test_what_hangs_on_a_missing_section_comes_back_with_it
    drafts =
      gathered(
        [
          entry("section-broken", "/volumes/1", "/volumes/#"),
          *(1..6).map { |number| entry("not-found", "/volumes/#{number}", importance: 10) },
          entry("link-to-missing", "/", "#{A}/volumes/2"), entry("sitemap-lists-missing", "/volumes/3", "#{A}/s.xml"),
          entry("not-found", "/elsewhere"), entry("link-to-missing", "/", "#{A}/elsewhere")
        ]
      )
    assert_equal [["server", "a.test/volumes/#", "section-broken"], ["redirects", "a.test", "map"],
      ["links", "a.test", "pages 1"]], drafts.map(&:key)
    section = drafts.first
    assert_equal [8, 60.0, 4.0],
      [section.settles.size, W::Worth.new(drafts).of(section), W::Effort.new.of(section)]
    assert_equal "Mend a missing section: a.test/volumes/# (6 pages)", W::Titles.title(section)
    assert_equal [[], []], drafts.drop(1).map(&:settles)
  end

  def test_an_address_that_only_mistyped_links_made_needs_no_rule
    missing = entry("not-found", "/x/www.b.test/y")
    link = entry("link-to-missing", "/x/", missing.url, detail: {"cause" => "the scheme was left out of the link"})
    drafts = gathered([missing, link])
    assert_equal [["links", "a.test", "pages 1"]], drafts.map(&:key)
    assert_equal ["not-found"], drafts.first.settles.map(&:code)

    known = [
      [missing, entry("link-to-missing", "/x/", missing.url)],
      [missing, link, entry("link-to-missing", "/z/", missing.url)],
      [missing, link, entry("sitemap-lists-missing", "/x/www.b.test/y", "#{A}/s.xml")],
      [entry("not-found", "/x/www.b.test/y", brought: true), link]
    ]
    known.each { |entries| assert_includes gathered(entries).map(&:kind), "redirects" }
  end

  # Where its page goes, whatever else is wrong with it needs no work, and brings nothing.
  def test_what_is_wrong_with_a_page_that_goes_stands_in_the_fix_that_takes_it_away
    drafts =
      gathered(
        [
          entry("copy-exact", "/p/1", "#{A}/p/2"), entry("title-long", "/p/1"), entry("slow", "/p/1"),
          entry("sitemap-lists-diverted", "/p/1", "#{A}/s.xml"), entry("link-to-missing", "/p/3", "#{A}/p/1")
        ]
      )
    assert_equal %w[canonicals links sitemaps], drafts.map(&:kind)
    taking = drafts.first
    assert_equal %w[slow title-long], taking.settles.map(&:code).sort
    assert_equal [30.0, 0.25], [W::Worth.new(drafts).of(taking), W::Effort.new.of(taking)]
  end

  def test_of_two_that_take_a_page_away_the_surest_stays
    drafts = gathered([entry("stray", "/p/1"), entry("copy-exact", "/p/1", "#{A}/p/2"), entry("soft-missing", "/p/1")])
    assert_equal [%w[server soft-missing]], drafts.map { |draft| [draft.kind, draft.cause] }
    assert_equal %w[copy-exact stray], drafts.first.settles.map(&:code).sort
    kept_out = gathered([entry("stray", "/p/1"), entry("copy-exact", "/p/1", "#{A}/p/2")])
    assert_equal [["directives", %w[copy-exact]]], kept_out.map { |draft| [draft.kind, draft.settles.map(&:code)] }
  end

  def test_a_title_that_is_shared_only_with_pages_that_go_is_settled_with_the_last_of_them
    same = ->(path) { entry("title-duplicate", path, detail: {"title" => "Lamps", "pages" => 3}) }
    drafts =
      gathered(
        [
          same.call("/p/1"), same.call("/p/2"), same.call("/p/3"),
          entry("soft-missing", "/p/2"), entry("copy-exact", "/p/3", "#{A}/p/1")
        ]
      )
    by_kind = drafts.to_h { |draft| [draft.kind, draft.settles.map(&:url).map { |url| url.delete_prefix(A) }] }
    assert_equal({"server" => %w[/p/2], "canonicals" => %w[/p/1 /p/3]}, by_kind.transform_values(&:sort))
    assert_includes gathered([same.call("/p/1"), same.call("/p/2"), same.call("/p/3"), entry("soft-missing", "/p/2")])
      .map(&:kind), "content", "two of them stay"
  end

  private

  def entry(code, path, about = nil, importance: 50, **more)
    grade = W::Entry::GRADES.fetch(IronTrellis::Core::Faults::Registry.fetch(code).grade)
    W::Entry.new(code: code, url: A + path, about: about, grade: grade, group: "/p/", importance: importance, **more)
  end

  def gathered(entries) =
    W::FixBuilder.new(
      pages: {["a.test", "/p/"] => 8},
      layouts: W::Layouts.new({}),
      files: {"#{A}/s.xml" => true}
    ).call(entries)
end
