# frozen_string_literal: true

require_relative "../test_helper"

# What a page may hold to trip its reader up: depth, odd encodings, markup inside markup.
class HostilePagesTest < Minitest::Test
  Core = IronTrellis::Core

  def read(html, headers: ["Content-Type: text/html; charset=utf-8"])
    Core::Page::Reader.new(agent: "IronTrellis").call(
      url: Core::Url::NormalForm.parse("http://a.test/"),
      header_lines: headers,
      body: html.b
    )
  end

  def anchors(html) =
    read(html)
      .links
      .select { |link| link.type == "anchor" }
      .map { |link| [link.target.delete_prefix("http://a.test"), link.text] }

  def test_deep_nesting_is_known_and_long_flat_pages_are_not_taken_for_it
    nesting = Core::Page::Nesting
    assert nesting.too_deep?("<div>" * 100_000)
    assert nesting.too_deep?("#{"<div>" * 600}x#{"</div>" * 600}")
    refute nesting.too_deep?("<div>x</div>" * 10_000)
    refute nesting.too_deep?("<ul>#{"<li>x" * 10_000}</ul><table>#{"<tr><td>x" * 5_000}</table>#{"<p>x<br>" * 5000}")
    refute nesting.too_deep?("<b>" * 512)
  end

  def test_a_page_that_is_nested_too_deep_is_refused_before_it_is_parsed
    error = assert_raises(Core::Page::Unreadable) { read("<div>" * 100_000) }
    assert_match(/nested deeper than 512/, error.message)
  end

  def test_markup_in_scripts_styles_comments_and_attributes_is_no_markup
    html = <<~HTML
      <script>document.write("<a href=/script>s</a>")</script><style>a::before { content: "<a href=/style>" }</style>
      <!-- <a href="/comment">c</a> <b --><a title='<a href="/title">t</a>' href='/real'>r</a><a data-href="/data">d</a>
      <a title=' href="/fake"' class="href=" href="/second">s</a><textarea><a href="/textarea">t</a></textarea>
      <iframe src=/frame><a href=/inframe></iframe>
      <xmp><a href=/xmp>x</a></xmp><noscript><a href=/noscript>n</a></noscript>
      <svg><title>Drawn</title><a href="/svg">v</a></svg>
    HTML

    assert_equal [["/real", "r"], ["/second", "s"], ["/svg", "v"]], anchors(html)
    assert_equal "rd s <a href=\"/textarea\">t</a> <a href=/xmp>x</a> v", read(html).text.tr("\n", " ").squeeze(" ")
  end

  def test_character_references_are_resolved_in_addresses_and_texts
    assert_equal [["/?a=1&b=%22", "Tom & \"Jerry\" <3"]],
      anchors("<a href='/?a=1&amp;b=&quot;'>Tom &amp; &quot;Jerry&quot;&nbsp;&lt;3</a>")
  end

  def test_anchors_that_are_left_open_or_stand_in_each_other_keep_their_texts
    assert_equal [["/a", "one"], ["/b", "two"]], anchors("<p><a href=/a>one<a href=/b>two</p>")
    assert_equal [["/a", "in table"]], anchors("<table><tr><td><a href=/a>in table</table>").uniq
    assert_equal [["/a", ""], ["/b", "Alt text"]],
      anchors("<a href=/a><span></span></a><a href=/b><img src=x alt=' Alt  text '></a>")
  end

  def test_the_encoding_is_looked_for_as_browsers_do
    {
      "<meta charset=windows-1252>" => "é",
      "<META CHARSET = 'ISO-8859-1' />" => "é",
      "<!-- <meta charset=utf-8> --><meta charset=latin1>" => "é",
      "<meta content='text/html; charset=windows-1252' http-equiv=content-type>" => "é",
      "<meta content='charset=windows-1251' name=x><meta charset=windows-1252>" => "é",
      "<p title='<meta charset=utf-8>'><meta charset=cp1252>" => "é",
      "<meta charset=utf-16>" => "\uFFFD",
      "<meta charset=x-user-defined>" => "é",
      "<meta charset=windows-1251>" => "й",
      "<!--><meta charset=windows-1251>" => "й",
      "#{" " * 1024}<meta charset=windows-1251>" => "é"
    }.each do |meta, expected|
      assert_equal expected, read("#{meta}<title>\xE9</title>", headers: ["Content-Type: text/html"]).title, meta
    end
  end

  def test_a_huge_title_and_nul_bytes_are_read_and_nothing_raises
    facts = read("<title>#{"x" * 1_000_000}</title><p>a\0b</p>")

    assert_equal 1_000_000, facts.title.length
    refute_includes facts.text, "\0"
  end

  def test_parameters_that_are_dropped_are_taken_out_of_links_only
    reader = Core::Page::Reader.new(agent: "x", drop: Core::Url::DroppedParameters.new(%w[sid utm_*]))
    links =
      reader.call(
        url: Core::Url::NormalForm.parse("http://a.test/p?sid=9"),
        header_lines: ["Content-Type: text/html"],
        body:
          "<a href='/x?sid=1&a=2&utm_source=y'>x</a><a href='?SID=1'>y</a><a href='/z?sid='>z</a><a href=''>self</a>"
      ).links

    assert_equal %w[/x?a=2 /p?SID=1 /z /p], links.map { |link| link.target.delete_prefix("http://a.test") }
  end
end
