# frozen_string_literal: true

require_relative "../test_helper"

# What has to be written or taken out so that a page says what is wanted of it, and in which order.
class DirectiveListTest < Minitest::Test
  List = IronTrellis::Core::Directives::DirectiveList
  URL = "http://a.test/x"
  OTHER = "http://a.test/y?a=1&b=2"

  def page(**given) = List::Page.new(url: URL, kind: "html", direct: true, allowed: true, nofollow: false, **given)

  def told(**given) = List.of([page(**given)]).map { |one| [one.step, one.where, one.action, one.text] }

  def kept_out(**given) = told(intent: "keep_out", wanted: false, **given)

  def test_a_page_that_is_as_it_should_be_needs_nothing
    assert_empty told(wanted: true)
    assert_empty kept_out(noindex: true)
    assert_empty told(wanted: true, follow: true, chosen: URL, canonical: URL)
    assert_empty told(wanted: false, noindex: true), "nobody decided anything"
  end

  def test_what_is_wanted_is_opened_where_it_says_noindex
    assert_equal [[2, "html", "remove", '<meta name="robots" content="noindex">']],
      told(wanted: true, noindex: true, noindex_where: "meta robots")
    assert_equal [[2, "header", "remove", "X-Robots-Tag: noindex"]],
      told(wanted: true, noindex: true, noindex_where: "X-Robots-Tag, line 3 of the headers")
  end

  def test_what_is_to_be_kept_out_says_so_in_its_own_way
    assert_equal [[2, "html", "add", '<meta name="robots" content="noindex">']], kept_out
    assert_equal [[2, "header", "add", "X-Robots-Tag: noindex"]], kept_out(kind: "pdf")
    assert_empty kept_out(direct: false), "what leads on needs no tag"
    assert_empty kept_out(allowed: false), "a tag behind a block is never seen"
  end

  # Source: RFC 9309 section 2.2 keeps crawlers from fetching; so a noindex behind it is not seen (common practice).
  def test_a_block_is_lifted_before_anything_else
    assert_equal [[1, "robots.txt", "remove", "Disallow: /x"]],
      told(wanted: true, allowed: false, robots_rule: "Disallow: /x", robots_line: 3)
    assert_equal [[1, "robots.txt", "remove", "Disallow: /x"]],
      kept_out(noindex: true, allowed: false, robots_rule: "Disallow: /x")
    both = List.of([page(wanted: true, noindex: true), page(wanted: true, allowed: false, robots_line: 9)])
    assert_equal [1, 2], both.map(&:step)
    assert_includes both.first.reason, "Line 9."
  end

  def test_one_tag_says_both_that_a_page_is_kept_out_and_that_its_links_are_not_followed
    assert_equal [[2, "html", "add", '<meta name="robots" content="noindex, nofollow">']], kept_out(follow: false)
    assert_equal [[2, "html", "add", '<meta name="robots" content="noindex, nofollow">']],
      kept_out(follow: false, noindex: true)
    assert_equal [[2, "html", "add", '<meta name="robots" content="nofollow">']], told(wanted: true, follow: false)
    assert_equal [[2, "html", "remove", '<meta name="robots" content="nofollow">']],
      told(wanted: true, follow: true, nofollow: true)
  end

  # Source: RFC 6596 and RFC 8288: an HTML element, or a Link header of what is no HTML; HTML standard, "attributes".
  def test_a_canonical_that_was_chosen_is_written_out
    assert_equal [[2, "html", "add", '<link rel="canonical" href="http://a.test/y?a=1&amp;b=2">']],
      told(wanted: true, chosen: OTHER)
    assert_equal [[2, "header", "add", "Link: <#{OTHER}>; rel=\"canonical\""]],
      told(wanted: true, chosen: OTHER, kind: "pdf")
    assert_empty told(wanted: true, chosen: OTHER, direct: false)
  end

  def test_decisions_that_say_the_opposite_are_told
    of = ->(**given) { List.of([page(**given)]).filter_map(&:warning) }
    assert_equal [List::DISAGREE], of.call(intent: "keep_out", wanted: false, chosen: OTHER)
    assert_equal [List::DISAGREES_NOW], of.call(wanted: false, noindex: true, chosen: OTHER)
    assert_empty of.call(wanted: true, chosen: OTHER)
    assert_empty of.call(intent: "keep_out", wanted: false, chosen: URL, canonical: nil)
  end
end

# Directives of tags and headers. Robots directives are common practice; the syntax of fields is RFC 9110's.
class RobotsDirectivesTest < Minitest::Test
  D = IronTrellis::Core::Directives

  def test_values_are_words_in_any_case_each_once
    assert_equal %w[noindex follow], D::Tokens.read("NoIndex,follow, ,NOINDEX")
    assert_equal [], D::Tokens.read(" , ")
  end

  def test_a_header_may_name_an_agent_and_directives_may_have_values
    assert_equal ["lampbot", %w[noindex]], D::Tokens.read_header("Lampbot: noindex")
    assert_equal [nil, %w[noindex nofollow]], D::Tokens.read_header("noindex, nofollow")
    assert_nil D::Tokens.read_header("max-snippet: 20").first
    assert_nil D::Tokens.read_header("unavailable_after: 25 Jun 2027 15:00:00 PST").first
  end

  def directive(*tokens, agent: nil, source: "meta") =
    D::Directive.new(source: source, agent: agent, tokens: tokens, place: "head", line: 2)

  def test_the_most_restrictive_of_all_that_speak_to_the_agent_wins
    resolved = ->(*all) { D::Resolved.new(all, "Lampbot") }
    assert_predicate resolved.call(directive("index"), directive("noindex")), :noindex?
    assert_predicate resolved.call(directive("none")), :noindex?
    assert_predicate resolved.call(directive("none")), :nofollow?
    refute_predicate resolved.call(directive("noindex", agent: "otherbot")), :noindex?
    assert_predicate resolved.call(directive("noindex", agent: "lampbot")), :noindex?
    refute_predicate resolved.call, :noindex?
  end

  def test_a_header_that_says_noindex_alone
    header = directive("noindex", source: "header")
    assert_predicate D::Resolved.new([header, directive("index")], "x"), :header_alone?
    refute_predicate D::Resolved.new([header, directive("noindex")], "x"), :header_alone?
    assert_equal "X-Robots-Tag, line 2 of the headers", D::Resolved.new([header], "x").noindex.where
  end
end
