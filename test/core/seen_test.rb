# frozen_string_literal: true

require_relative "../test_helper"

# What was decided, held against a page as it answers now.
class SeenTest < Minitest::Test
  Seen = IronTrellis::Core::Decisions::Seen
  URL = "http://a.test/x"
  NEW = "http://a.test/new"

  def page(**facts) =
    Seen::Page.new(url: URL, hops: [[URL, 200]], noindex: false, nofollow: false, links: [], hreflang: [], **facts)

  def seen(kind, value, page, subject: URL) =
    IronTrellis::Core::Decisions::Registry.fetch(kind).seen(subject, value, page)

  def held(...) = seen(...).map(&:holds)

  def test_a_page_to_be_indexed_answers_says_no_noindex_and_gives_its_place_to_none
    index = {"intent" => "index"}
    assert_equal [true, true, true], held("intent", index, page)
    assert_equal [true, false, true], held("group", index, page(noindex: true))
    assert_equal [true, true, false], held("intent", index, page(canonical: NEW))
    assert_equal [false, true, true], held("intent", index, page(hops: nil, blocked: "Disallow: /x"))
    assert_equal ["redirects to #{NEW}"],
      seen("intent", index, page(hops: [[URL, 301], [NEW, 200]])).reject(&:holds).map(&:found)
  end

  def test_a_page_is_kept_out_by_a_noindex_that_can_be_seen_or_by_being_gone
    keep_out = {"intent" => "keep_out"}
    assert_equal [true], held("intent", keep_out, page(noindex: true))
    assert_equal [true], held("intent", keep_out, page(hops: [[URL, 410]]))
    assert_equal [false], held("intent", keep_out, page(noindex: true, blocked: "Disallow: /x")), "nobody sees it"
    assert_equal ["status 200, without noindex"], seen("intent", keep_out, page).map(&:found)
    assert_equal [true, false], held("intent", keep_out.merge("follow" => false), page(noindex: true))
    assert_empty held("intent", {"intent" => "undecided"}, page)
  end

  def test_a_canonical_is_the_one_that_was_chosen
    assert_equal [true, true], held("canonical", {"target" => NEW}, page(canonical: NEW))
    assert_equal [true, false], held("canonical", {"target" => NEW}, page)
  end

  def test_a_redirect_leads_where_it_should_with_its_status_and_ends_at_a_page
    to = {"to" => NEW, "status" => 301}
    assert_equal [true, true], held("route", to, page(hops: [[URL, 301], [NEW, 200]]))
    assert_equal [false, true], held("route", to, page(hops: [[URL, 302], [NEW, 200]]))
    assert_equal [true, false], held("route", to, page(hops: [[URL, 301], [NEW, 404]]))
    assert_equal [false, false], held("route", to, page)
    assert_equal [true], held("route", {"to" => nil, "status" => 410}, page(hops: [[URL, 410]]))
  end

  def test_links_were_repointed
    old = "http://a.test/old"
    assert_equal [true, true], held("repoint", {"target" => NEW}, page(links: [[NEW, "there"]]), subject: old)
    assert_equal [false, true],
      held("repoint", {"target" => NEW}, page(links: [[NEW, "there"], [old, "here"]]), subject: old)
    assert_equal [true, false],
      held("repoint", {"target" => NEW, "text" => "New"}, page(links: [[NEW, "there"]]), subject: old)
    assert_equal [false, false], held("repoint", {"target" => NEW}, page(links: nil), subject: old), "nothing was read"
  end

  def test_a_page_names_its_whole_set
    pages = {"en" => URL, "pt-BR" => NEW}
    assert_equal [true, true],
      held(
        "languages",
        pages.then { |set| {"pages" => set} },
        page(hreflang: [["en", URL], ["pt-br", NEW]])
      )
    assert_equal [true, false], held("languages", {"pages" => pages}, page(hreflang: [["en", URL]]))
  end
end
