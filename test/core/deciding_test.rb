# frozen_string_literal: true

require_relative "../test_helper"

# From what is to what shall be: proposals, what they would change, and the exact words for it.
class DecidingTest < Minitest::Test
  Core = IronTrellis::Core

  def page(path, group: "/a/", title: nil, own: 0.8, words: 300, listed: false, key: false)
    Core::Intents::Proposals::Page.new(url: "http://a.test#{path}", title: title, group: group, words: words, own_share: own, indexable: true, in_sitemap: listed, key_page: key)
  end

  def proposals(*pages, decided: {}) = Core::Intents::Proposals.new(pages, decided).call.map { |one| [one.group, one.urls&.map { |url| url.sub("http://a.test", "") }, one.intent] }

  def test_kinds_of_pages_are_told_by_address_and_title
    {"/login" => "account", "/shop/checkout" => "basket", "/thank-you-for-writing" => "thank-you", "/find?q=lamp" => "search", "/journal/feed" => "feed", "/lamps?sort=price" => "paged or filtered list", "/2025/03/" => "archive by date",
     "/tags/oil" => "tag archive", "/makers/ines" => "author archive", "/photos/lamp" => "image page", "/x/print" => "print view"}.each { |path, name| assert_equal name, Core::Intents::Kinds.of("http://a.test#{path}", nil)&.name, path }
    assert_equal "thank-you", Core::Intents::Kinds.of("http://a.test/x", "Thank you for your order")&.name
    ["/accounting", "/research", "/lamps/", "/2025/03/14/storm", "/feedback", "/guides/thanksgiving-lamps"].each { |path| assert_nil Core::Intents::Kinds.of("http://a.test#{path}", "A page"), path }
  end

  def test_archives_of_excerpts_are_kept_out_and_those_with_text_of_their_own_left_open
    thin = (1..4).map { |number| page("/tags/#{number}", group: "/tags/", own: 0.1) }
    rich = (1..4).map { |number| page("/makers/#{number}", group: "/makers/", own: 0.7) }
    assert_equal [["/tags/", nil, "keep_out"]], proposals(*thin, *rich)
  end

  def test_groups_that_sitemaps_list_are_wanted_but_for_single_pages_of_another_kind
    assert_equal [["/a/", nil, "index"], ["/a/", ["/a/thank-you"], "keep_out"]], proposals(page("/a/1", listed: true), page("/a/2", listed: true), page("/a/thank-you"))
  end

  def test_a_list_with_parameters_is_a_part_of_the_list_without_them
    assert_includes proposals(page("/a/", listed: true), page("/a/?metal=brass"), page("/a/?x=1&y=2"), page("/b?id=7"), page("/a/1", listed: true)), ["/a/", ["/a/?metal=brass", "/a/?x=1&y=2"], "keep_out"]
  end

  def test_what_was_decided_is_left_as_it_is
    assert_empty proposals(page("/a/1", listed: true), decided: {"/a/" => "keep_out"})
  end

  def change(pages, linked = {})
    made = pages.map { |path, fields| Core::Intents::Change::Page.new(url: path, direct: true, indexable: true, listable: true, before: "undecided", after: "undecided", **fields) }
    Core::Intents::Change.new(made, linked).call.transform_values { |found| found.map(&:url) }.reject { |_, found| found.empty? }
  end

  def test_what_other_wishes_would_change
    pages = {"/tag" => {after: "keep_out", listed: true}, "/only" => {wanted_after: true, listed: true}, "/home" => {wanted_after: true, listed: true}, "/shut" => {after: "index", wanted_after: true, noindex: true, indexable: false}}
    assert_equal({gets_noindex: ["/tag"], loses_noindex: ["/shut"], joins_sitemaps: ["/shut"], leaves_sitemaps: ["/tag"], links_useless: ["/tag"], cut_off: ["/only"]}, change(pages, "/only" => ["/tag"], "/tag" => ["/home"]))
  end

  def directives(**fields)
    page = Core::Directives::DirectiveList::Page.new(url: "http://a.test/x", group: "/", kind: "html", intent: "undecided", wanted: false, allowed: true, direct: true, noindex: false, nofollow: false, **fields)
    Core::Directives::DirectiveList.of([page]).map { |item| [item.step, item.where, item.action, item.text] }
  end

  def test_a_stray_gets_a_tag_and_a_document_a_header
    assert_equal [[2, "html", "add", '<meta name="robots" content="noindex">']], directives(intent: "keep_out")
    assert_equal [[2, "html", "add", '<meta name="robots" content="noindex, nofollow">']], directives(intent: "keep_out", follow: false)
    assert_equal [[2, "header", "add", "X-Robots-Tag: noindex"]], directives(intent: "keep_out", kind: "pdf")
    assert_empty directives(intent: "keep_out", noindex: true)
  end

  def test_a_block_is_lifted_before_a_noindex_can_be_seen
    assert_equal [[1, "robots.txt", "remove", "Disallow: /x"]], directives(intent: "keep_out", noindex: true, allowed: false, robots_line: 3, robots_rule: "Disallow: /x")
    assert_equal [[1, "robots.txt", "remove", "Disallow: /x"], [2, "header", "remove", "X-Robots-Tag: noindex"]], directives(wanted: true, noindex: true, noindex_where: "X-Robots-Tag, line 4 of the headers", allowed: false, robots_rule: "Disallow: /x").map { |item| item }
  end

  def test_a_chosen_canonical_is_written_out_for_the_kind_of_document
    assert_equal [[2, "html", "add", '<link rel="canonical" href="https://b.test/?a&amp;b">']], directives(chosen: "https://b.test/?a&b")
    assert_equal [[2, "header", "add", 'Link: <http://b.test/>; rel="canonical"']], directives(chosen: "http://b.test/", kind: "pdf")
    assert_empty directives(chosen: "http://b.test/", canonical: "http://b.test/")
  end

  def test_lines_of_a_robots_txt_in_words
    lines = Core::Robots::Meaning.of("# ours\nUser-agent: *\nDisallow: /private\nAllow: /*.css$\nDisalow: /x\nDisallow:\n")
    assert_equal [nil, "For every crawler that isn't named elsewhere:", "Not to be fetched: what begins with /private", "May be fetched even so: just what ends so: / anything .css", nil, "All may be fetched.", nil], lines.map(&:meaning)
    assert_equal "no crawler knows the word “disalow”", lines[4].flaw
  end

  def test_a_draft_against_the_file_that_is_there
    lines = Core::Robots::Difference.of("a\nb\nc\n", "a\nx\nc\nd\n")
    assert_equal [%w[same a], %w[removed b], %w[added x], %w[same c], %w[added d]], lines.map(&:to_a)
  end
end
