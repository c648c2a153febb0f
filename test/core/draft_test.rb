# frozen_string_literal: true

require_relative "../test_helper"
require "nokolexbor"

# What somebody wants a page to say instead: on the page, in its document, and as changes to be handed over.
class DraftTest < Minitest::Test
  Desk = IronTrellis::Core::Desk
  URL = IronTrellis::Core::Url::NormalForm.parse("http://a.test/lamps/")
  HTML = <<~HTML
    <html lang=en><head><title>Lamps</title><meta name=description content="Of brass."></head><body>
    <main><h1>Lamps</h1><p>They burn oil.</p><h2>Oil</h2><p>Any oil will do.</p>
    <img src=a.png alt="A lamp"><img src="/b.png"></main></body></html>
  HTML
  A, B = "http://a.test/lamps/a.png", "http://a.test/b.png"

  def page = @page ||= Desk::PageReading.call(HTML.b, url: URL)

  def draft(values) = Desk::Draft.new(Desk::Draft.read(values))

  def changes(values) = draft(values).changes(page)

  def test_what_is_not_drafted_stays
    after = draft({}).on(page)
    assert_equal [page.texts, page.outline, page.pictures, page.words],
      [after.texts, after.outline, after.pictures, after.words]
    assert_empty changes({})
  end

  def test_what_is_drafted_as_it_is_changes_nothing
    assert_empty changes("title" => " Lamps ", "headings" => %w[Lamps Oil], "alts" => {A => "A  lamp"},
      "text" => "Lamps\nThey burn oil.\nOil\nAny oil will do.")
  end

  def test_changes_are_told_with_what_was_before
    assert_equal [["title", "Lamps", "Brass lamps"], ["h2", "Oil", "Which oil"], ["alt", "#{A} A lamp", "A brass lamp"],
      ["alt", B, "Oil"]],
      changes(
        "title" => "Brass lamps", "headings" => ["Lamps", "Which oil"], "alts" => {A => "A brass lamp", B => "Oil"}
      )
        .reject { |element, *| element == "text" }
  end

  def test_a_heading_is_a_line_of_the_text_too
    after = draft("headings" => ["Lamps", "Which oil"]).on(page)
    assert_includes after.of("text"), "Which oil"
    refute_includes after.of("text"), "Oil"
    assert_equal page.words + 1, after.words
    assert_equal [["h2", "Oil", "Which oil"]], changes("headings" => ["Lamps", "Which oil"])
  end

  def test_a_text_written_anew_is_read_line_by_line
    after = draft("text" => "  One  line. \n\nAnother.").on(page)
    assert_equal ["One line.", "Another."], after.of("text")
    assert_equal [["text", page.of("text").join("\n"), "One line.\nAnother."]],
      changes("text" => "One line.\n\nAnother.")
  end

  def test_what_can_not_be_a_draft_is_refused
    [
      nil, [], {"titel" => "x"}, {"title" => 7}, {"title" => "x" * 1001}, {"headings" => "x"}, {"headings" => [1]},
      {"alts" => ["x"]}, {"alts" => {A => nil}}, {"text" => "x" * 200_001}, {"data" => "{"}, {"data" => "[7"}
    ].each { |values| assert_raises(IronTrellis::Core::Error::InvalidInput, values.inspect[0, 60]) { draft(values) } }
    assert_equal({"title" => "x"}, Desk::Draft.read("title" => "x", "text" => nil))
  end

  def document(values) =
    Nokolexbor::HTML(Desk::DraftedDocument.of(HTML, URL, page, Desk::Draft.read(values)))

  def test_its_own_document_says_the_draft
    made = document("title" => "Brass & lamps", "description" => "Of “brass”.", "headings" => ["Brass lamps"],
      "alts" => {B => "Oil"})
    assert_equal ["Brass & lamps", "Of “brass”.", "Brass lamps", "Oil"],
      [made.at_css("title").text, made.at_css("meta[name=description]")["content"], made.at_css("h1").text,
        made.at_css("h2").text]
    assert_equal ["A lamp", "Oil"], made.css("img").map { |node| node["alt"] }
  end

  def test_blocks_of_the_document_take_their_new_lines_and_new_ones_come_last
    made = document("text" => "Lamps\nThey burn gas.\nOil\nAny oil will do.\nAsk us.")
    assert_equal ["They burn gas.", "Any oil will do.", "Ask us."], made.css("main p").map(&:text)
    gone = document("text" => "Lamps\nOil\nAny oil will do.")
    assert_equal ["Any oil will do."], gone.css("main p").map(&:text)
  end

  def test_what_is_drafted_is_text_and_never_markup
    made = document("title" => "<script>x</script>", "text" => "Lamps\n<b>bold</b>\nOil\nAny oil will do.")
    assert_nil made.at_css("main b, script")
    assert_equal "<script>x</script>", made.at_css("title").text
  end

  def rival(text) =
    Desk::Page.new(
      language: "en", texts: {"title" => ["x"], "text" => [text]}, words: text.split.size, images: 0, links: 0
    )

  def test_what_a_page_could_say_besides_comes_from_queries_and_rivals
    rivals = Desk::Rivals.new(Array.new(2) { rival("A wick of cotton burns.") })
    fit = Desk::Fit.new(page, rivals: rivals)
    queries = [{"query" => "brass lamps", "impressions" => 9}, {"query" => "oil lamps", "impressions" => 5}]
    told = Desk::Suggestions.of(fit, rivals, queries, Desk::Terms.new(page), page.of("text"))
    assert_equal ["brass lamps", "shown 9 times for it; not all of its words stand on the page"], told.first.values
    assert_includes told.map { |one| one["text"] }, "cotton"
    refute_includes told.map { |one| one["text"] }, "oil lamps", "it says both words"
  end
end
