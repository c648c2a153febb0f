# frozen_string_literal: true

require_relative "../test_helper"

# Where lost addresses should lead.
class TargetsTest < Minitest::Test
  Routes = IronTrellis::Core::Redirects

  PAGES = [
    ["/", "Skerry Lamp Works", "en"],
    ["/lamps/", "All lamps", "en"],
    ["/lamps/masthead/ms-40", "MS-40 masthead lamp", "en"],
    ["/lamps/anchor-light", "Anchor light of brass", "en"],
    ["/pt/luzes/ms-40", "Luz de mastro MS-40", "pt"],
    ["/guides/trimming-wicks", "Trimming a wick", "en"],
    ["/journal/storm-of-march", "The storm of March", "en"]
  ].freeze

  def setup
    pages =
      PAGES.map do |path, title, lang|
        Routes::LivePages::Page.new(
          url: "http://a.test#{path}",
          title: title,
          lang: lang,
          text: "text of #{path}",
          importance: 50.0
        )
      end
    @targets =
      Routes::Targets.new(
        Routes::LivePages.new(pages),
        IronTrellis::Core::Languages::OfPlaces.new(pages.to_h { |page| [page.url, page.lang] })
      )
  end

  def suggest(path, links: 1, **known) =
    @targets.for(Routes::Targets::Lost.new(url: "http://a.test#{path}", anchors: [], links_in: links, **known))

  def first(path, **known) =
    suggest(path, **known).first.then { |one| [one.target&.delete_prefix("http://a.test"), one.status, one.reasons] }

  def test_the_same_text_beats_the_same_address
    assert_equal "/journal/storm-of-march", first("/old/anchor-light", text: "text of /journal/storm-of-march").first
  end

  def test_the_same_last_part_in_another_folder
    assert_equal [
      "/lamps/anchor-light",
      301,
      ["the last part of its address is the same", "it is in the same language"]
    ],
      first("/shop/anchor-light.html")
  end

  def test_a_last_part_that_is_nearly_the_same
    target, _, reasons = first("/guides/triming-wick")
    assert_equal ["/guides/trimming-wicks", true], [target, reasons.first.start_with?("its address is nearly the same")]
  end

  def test_the_code_of_a_product_in_the_language_of_the_folder
    assert_equal "/lamps/masthead/ms-40", first("/item/ms40-old").first
    assert_equal "/pt/luzes/ms-40", first("/pt/artigo/ms40").first
    assert_includes suggest("/pt/artigo/ms40").map(&:reasons).flatten, "it is in another language"
  end

  def test_what_links_call_it
    assert_equal "/journal/storm-of-march", first("/p?id=7", anchors: ["That storm of March"]).first
  end

  def test_the_folder_above_stands_before_gone_and_the_home_page_comes_last
    suggestions = suggest("/lamps/zeppelin")
    assert_equal [["http://a.test/lamps/", 301], [nil, 410], ["http://a.test/", 301]],
      suggestions.map { |one| [one.target, one.status] }
    assert_equal ["nothing else is left: the home page is a last resort"], suggestions.last.reasons
  end

  def test_what_nothing_links_to_and_nothing_is_like_is_gone
    assert_equal [nil, 410, ["nothing refers to it", "nothing is like it"]], first("/lamps/zeppelin", links: 0)
  end

  def test_what_was_mistyped_in_a_link
    assert_equal "/lamps/anchor-light", first("/guides/a.test/lamps/anchor-light").first
    assert_equal "/lamps/anchor-light", first("/lamps/anchor-light%20").first
    assert_equal "/guides/trimming-wicks", first("/guides/guides/trimming-wicks").first
    assert_equal "/pt/luzes/ms-40", first("/lamps/a.test/pt/luzes/ms-40").first, "in another language, too"
  end

  def test_a_mere_number_is_no_name
    assert_equal "", Routes::Naming.slug("http://a.test/letters/17")
  end

  def test_codes_are_neither_years_nor_numbers_of_pages
    assert_equal ["ms40", "hb9000x"], Routes::Naming.codes("MS-40 of 2025, page-12, HB-9000x")
  end

  def test_what_is_worth_something_is_not_given_up_first
    [{key_page: true}, {listed: true}, {links: 9}].each do |worth|
      refute_equal 410, suggest("/gone/for-good", **worth).first.status, worth.inspect
    end
    assert_equal 410, suggest("/gone/for-good", links: 0).first.status
    refute_includes suggest("/gone/drawing", links: 0, uses: 2).flat_map(&:reasons), "nothing refers to it"
  end
end
