# frozen_string_literal: true

require_relative "../test_helper"

# A page as it was sent against what scripts left of it, and its text as a crawler gets it.
class RenderingReadingTest < Minitest::Test
  Core = IronTrellis::Core
  R = Core::Rendering
  URL = "http://a.test/lamps/"
  HEADERS = ["Content-Type: text/html; charset=iso-8859-1", "X-Robots-Tag: otherbot: noindex"].freeze

  def rendered(sent, left, requests: [], **more)
    answer = Core::Crawling::Answer.new(status: 200, header_lines: HEADERS, body: sent.encode("ISO-8859-1").b)
    document = R::Request.new(url: URL, type: "Document", outcome: R::Request::LOADED, status: 200)
    R::Rendered.new(
      url: URL, final_url: URL, answer: answer, html: left, requests: [document, *requests], layouts: [], console: [],
      **more
    )
  end

  def reading(sent, left = sent, **more) = R::Reading.new(rendered(sent, left, **more), agent: "IronTrellis")

  SENT = <<~HTML
    <html lang=en><head><title>Lamps</title><link rel=canonical href="/lamps/"><meta name=description content="Möwe">
    </head><body><h1>Lamps</h1><a href="/oil">Oil</a><script>light()</script></body></html>
  HTML

  def test_what_scripts_left_alone_is_no_difference_whatever_encoding_it_was_sent_in
    assert_empty reading(SENT).differences
    assert_equal "Möwe", reading(SENT).facts.description
  end

  def test_each_thing_that_scripts_changed_is_told_as_it_was_and_as_it_is
    left =
      SENT
        .sub("<title>Lamps", "<title>Brass lamps")
        .sub('href="/lamps/"', 'href="/other/"')
        .sub("</head>", '<meta name=robots content=noindex><link rel=alternate hreflang=de href="/de/"></head>')
        .sub("<h1>Lamps</h1>", "<h1>One</h1><h1>Two</h1>")
    assert_equal(
      {
        "title" => ["Lamps", "Brass lamps"],
        "canonical" => %w[http://a.test/lamps/ http://a.test/other/],
        "noindex" => [false, true],
        "h1" => [%w[Lamps], %w[One Two]],
        "hreflang" => [[], ["de http://a.test/de/"]]
      },
      reading(SENT, left).changes
    )
  end

  def test_links_that_came_and_went
    left = SENT.sub('<a href="/oil">Oil</a>', '<a href="/gas">Gas</a>')
    told = reading(SENT, left)
    assert_equal [%w[http://a.test/oil], %w[http://a.test/gas]], told.changes["links"]
    assert_equal %w[http://a.test/gas], told.links_by_script
  end

  # Lexbor and Chromium may take broken markup otherwise; data in a script is no script.
  def test_a_page_without_scripts_is_never_said_to_run_some
    still = SENT.sub("<script>light()</script>", "<script type=\"application/ld+json\">{}</script>")
    left = still.sub("<h1>Lamps</h1>", "<h1>One</h1>")
    assert_empty reading(still, left).differences
    handled = left.sub("<h1>", "<h1 onclick=\"x()\">")
    refute_empty reading(handled, left.sub("One", "Two")).differences
  end

  def test_links_are_named_up_to_a_number_and_the_rest_counted
    added = Array.new(250) { |place| "http://a.test/#{place}" }
    told = R::Reading.named(["http://a.test/x"], added)
    assert_equal [200, ["http://a.test/x"], 50], [told[:added].size, told[:removed], told[:more]]
    page = Struct.new(:kind, :status, :url, :changed_by_script)
    changes = {"links" => [["http://a.test/x"], added.first(2)]}
    fault, = Core::Faults::Rules::RenderOnly.new(nil).call(page.new("html", 200, URL, changes))
    assert_equal [added.first(2), ["http://a.test/x"], nil], fault.detail.values_at(:added, :removed, :more)
  end

  # A fifth of the words, and twenty of them, are ours.
  def test_text_by_script_is_told_from_a_share_on
    words = ->(many, word) { "<p>#{Array.new(many, word).join(" ")}</p>" }
    little = SENT.sub("</body>", "#{words.call(19, "new")}</body>")
    refute_includes reading(SENT, little).changes, "text"
    much = SENT.sub("</body>", "#{words.call(20, "new")}</body>")
    assert_equal [2, 22], reading(SENT, much).changes["text"]
    long = SENT.sub("</body>", "#{words.call(200, "old")}</body>")
    refute_includes reading(long, long.sub("</body>", "#{words.call(40, "new")}</body>")).changes, "text"
    assert_equal [Array.new(20, "new").join(" ")], reading(SENT, much).text_by_script
  end

  def test_a_page_that_scripts_lead_elsewhere_is_as_good_as_a_redirect
    moved = reading(SENT, "<p>elsewhere", final_url: "http://a.test/new/")
    assert_equal ["http://a.test/new/", 0, "script"], moved.facts.refresh.to_h.values_at(:target, :seconds, :source)
    assert_equal "Lamps", moved.facts.title, "what it says is what was sent"
  end

  def test_what_scripts_asked_for_in_vain_is_embedded_once
    asked = ->(path, type, outcome) { R::Request.new(url: "http://a.test#{path}", type: type, outcome: outcome) }
    requests = [
      asked.call("/a.js", "Script", R::Request::BLOCKED), asked.call("/b.css", "Stylesheet", R::Request::BLOCKED),
      asked.call("/c.js", "Script", R::Request::LOADED), asked.call("/d", "XHR", R::Request::BLOCKED)
    ]
    left = SENT.sub("</body>", "<script src=/a.js></script></body>")
    links = reading(SENT, left, requests: requests).facts.links.reject { |one| %w[anchor canonical].include?(one.type) }
    assert_equal [%w[script http://a.test/a.js], %w[style http://a.test/b.css]],
      links.map { |one| [one.type, one.target] }
  end

  def test_without_a_document_there_is_nothing_to_compare
    none = R::Reading.new(
      R::Rendered.new(url: URL, requests: [], layouts: [], console: [], error: "no_answer"), agent: "IronTrellis"
    )
    assert_equal [[], nil, nil, []], [none.differences, none.raw, none.facts, none.links_by_script]
  end

  def test_how_a_page_lies_on_a_phone
    layout = ->(**is) { R::Layout.new(width: 390, content: 390, signs: 100, small_signs: 0, **is) }
    assert_equal [false, true], [391, 392].map { |px| layout.call(content: px).too_wide? }
    assert_equal [false, true], [10, 11].map { |signs| layout.call(small_signs: signs).too_small? }
    refute_predicate layout.call(signs: 0, small_signs: 0), :too_small?
    wide = R::Layout.new(width: 1280, content: 1280)
    assert_equal 390, reading(SENT, layouts: [wide, layout.call]).on_phone["width"]
    assert_nil reading(SENT, layouts: [wide]).on_phone
  end

  def view(html, query = "")
    facts = Core::Page::Reader.new(agent: "x").call(
      url: Core::Url::NormalForm.parse(URL), body: html.b, header_lines: ["Content-Type: text/html; charset=utf-8"]
    )
    R::ReadingView.new(facts, query: query)
  end

  TEXT = <<~HTML
    <html lang=en><body><nav>Oil</nav><h1>Lamps</h1><p>Brass <a href="/oil">oil lamps</a> and
    <a href="/oil">oil lamps</a>.</p><h3>Which oil</h3></body></html>
  HTML

  def test_lines_come_in_order_with_their_headings
    assert_equal [[nil, "Oil"], [1, "Lamps"], [nil, "Brass oil lamps and oil lamps."], [3, "Which oil"]],
      view(TEXT).lines.map { |line| [line.level, line.pieces.map(&:text).join] }
  end

  def test_links_stand_where_they_are_and_words_of_the_query_are_marked
    found = view(TEXT, "lamp oils")
    line = found.lines[2]
    assert_equal ["http://a.test/oil"], line.pieces.filter_map(&:url).uniq
    assert_equal "oil lampsoil lamps", line.pieces.select(&:url).map(&:text).join
    assert_equal %w[oil lamps oil lamps], line.pieces.select(&:marked).map(&:text)
    assert_equal({"lamp" => 3, "oils" => 4}, found.counts)
  end
end
