# frozen_string_literal: true

require_relative "../test_helper"

# The words of a page against its phrases and its rivals: each number by hand.
class DeskTest < Minitest::Test
  Desk = IronTrellis::Core::Desk
  Language = IronTrellis::Core::Content::Language
  HTML = <<~HTML
    <html lang="en-GB"><head><title>Anchor lights</title><meta name="description" content="Brass anchor lights">
    <meta name="Keywords" content="lamps, anchor lights"></head>
    <body><h1>Anchor <em>lights</em></h1><p>An anchor light is hung forward. <b>Anchor lights</b> burn oil.</p>
    <h2>Oil</h2><img src="/a.png" alt="A light of brass"><a href="/oil">Buy oil</a></body></html>
  HTML

  def page(html = HTML, **more) =
    Desk::PageReading.call(html.b, url: IronTrellis::Core::Url::NormalForm.parse("http://a.test/anchor-lights"), **more)

  def made(text, title: "x", **more) =
    Desk::Page.new(language: "en", texts: {"title" => [title], "text" => [text]}, words: text.split.size,
      images: 0, links: 0, **more)

  def test_words_are_read_element_by_element
    told = page(links_in: ["anchor lights here"]).texts
    assert_equal ["Anchor lights"], told["title"]
    assert_equal ["Anchor lights", "Oil"], told["headings"]
    assert_equal [["lights", "Anchor lights"], ["lamps", "anchor lights"], ["A light of brass"], ["Buy oil"]],
      told.values_at("emphasis", "keywords", "alt", "links_out")
    assert_equal [["anchor lights here"], ["anchor lights"]], told.values_at("links_in", "address")
  end

  def test_what_stands_around_pictures_is_read
    html = <<~HTML
      <h1>Lamps</h1>
      <figure><img src=/IMG_1.jpg width=400 height=300><figcaption>An anchor light</figcaption></figure>
      <h2>Oil</h2><img src=/oil.svg alt=Oil>
    HTML
    assert_equal [
      {"url" => "http://a.test/IMG_1.jpg", "shown" => [400, 300], "caption" => "An anchor light", "heading" => "Lamps"},
      {"url" => "http://a.test/oil.svg", "shown" => nil, "caption" => nil, "heading" => "Oil"}
    ], page(html).figures
    svg = '<svg xmlns="http://www.w3.org/2000/svg" width="30" height="20"><text>Lit</text></svg>'
    told = IronTrellis::Ports::Pictures.facts(svg)
    assert_equal({"bytes" => svg.bytesize, "drawn" => [30, 20], "text" => "Lit"}, told.except("preview"))
    assert_equal svg, told["preview"].delete_prefix("data:image/svg+xml;base64,").unpack1("m")
    assert_nil IronTrellis::Ports::Pictures.facts(svg.ljust(IronTrellis::Ports::Pictures::MOST_PREVIEW + 1))["preview"]
  end

  def test_terms_of_one_stem_are_one_and_are_counted_where_they_stand
    term = Desk::Terms.new(page).call.find { |one| one.term == "Anchor lights" }
    assert_equal({"title" => 1, "description" => 1, "headings" => 1, "text" => 3, "emphasis" => 1, "keywords" => 1,
      "address" => 1}, term.counts.select { |_, times| times.positive? })
    assert_in_delta 3.0 / page.words, term.share, 0.0001
    assert_equal 2, term.size
  end

  def test_a_plain_text_is_all_text
    told = Desk::PageReading.call("Anchor lights\nburn oil, brightly".b, source: "notes.txt")
    assert_equal [["Anchor lights", "burn oil, brightly"], 5], [told.of("text"), told.words]
  end

  def test_languages_are_guessed_by_their_small_words
    assert_equal "da", Language.guess("Vi bygger lygter til skibe og havne, og de er lavet i hånden af dem som bor her")
    assert_equal "it", Language.guess("Le lampade della nostra bottega sono fatte a mano e sono di ottone per le navi")
    assert_nil Language.guess("Lamp lamp lamp")
  end

  def test_rivals_have_medians_ranges_and_what_half_of_them_use
    rivals = [made("oil lamps burn oil"), made("brass lamps and oil"), made("glass only here and there")]
    told = Desk::Rivals.new(rivals, language: "en")
    assert_equal({"median" => 4.0, "low" => 4, "high" => 5}, told.measures["words"])
    refute told.measures.key?("first_byte_ms"), "nobody was asked"
    shared = told.shared.to_h { |one| [one.term, one] }
    assert_equal %w[lamps oil], shared.keys.sort
    assert_equal [2, 0.25, 0.5, 0.375], shared["oil"].to_h.values_at(:used_by, :low, :high, :median)
  end

  def test_fit_is_the_share_of_checks_met_by_weight
    own = made("anchor lights burn oil", title: "Anchor lights for boats, made and lit by hand")
    fit = Desk::Fit.new(own, phrases: ["anchor light"], rivals: Desk::Rivals.new([made("oil lamps burn oil")]))
    told = fit.checks.to_h { |one| [one.name, one] }
    assert_equal [1, 1, nil, true, 3], told["“anchor light” in the title"].to_h.values_at(:found, :low, :high) +
      [told["“anchor light” in the title"].met, told["“anchor light” in the title"].weight]
    refute told["“anchor light” in the H1"].met
    assert_equal [4, 3, 5], told["words"].to_h.values_at(:found, :low, :high)
    refute told["“oil” in the text"].met, "too little: 0.25 where the rival has 0.5"
    met = fit.checks.select(&:met).sum(&:weight)
    assert_equal (met * 100.0 / fit.checks.sum(&:weight)).round, fit.call
    assert_empty fit.lacking.map(&:term)
    assert_equal %w[oil], Desk::Fit.new(made("x"), rivals: Desk::Rivals.new([made("oil and oil")])).lacking.map(&:term)
  end
end
