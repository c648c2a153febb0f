# frozen_string_literal: true

require_relative "../test_helper"

class PageReaderTest < Minitest::Test
  Core = IronTrellis::Core

  def read(
    html,
    headers: ["Content-Type: text/html; charset=utf-8"],
    url: "http://a.test/dir/page",
    agent: "IronTrellis"
  )
    Core::Page::Reader.new(agent: agent).call(
      url: Core::Url::NormalForm.parse(url),
      header_lines: headers,
      body: html.b
    )
  end

  def links(html, type: "anchor", **options) = read(html, **options).links.select { |link| link.type == type }

  def test_title_description_headings_language_and_images
    facts = read(<<~HTML)
      <html lang="en"><head><title> Two
        words </title><meta name=Description content=" A  text "></head>
      <body><h1>One <b>and</b> two</h1><h1>Three</h1>
      <img src=a.png><img src=b.png alt=""><svg><title>no title</title></svg></body></html>
    HTML

    assert_equal ["Two words", "A text", ["One and two", "Three"], "en"],
      [facts.title, facts.description, facts.h1, facts.lang]
    assert_equal [2, 1], [facts.images, facts.images_without_alt]
  end

  def test_links_are_resolved_with_the_base_and_have_text_place_and_rel
    link, image =
      read(
        '<base href="/b/"><nav><ul><li><a href="x" rel="NoFollow ugc"> A  b </a></ul></nav>' \
        '<main><a href=y><img alt="Picture" src=p.png></a></main>'
      ).links.values_at(0, 1)

    assert_equal ["http://a.test/b/x", "A b", "nofollow ugc", "nav", false],
      [link.target, link.text, link.rel, link.place, link.followed]
    assert_equal ["http://a.test/b/y", "Picture", "main", true], [image.target, image.text, image.place, image.followed]
  end

  def test_links_in_noscript_template_and_comments_are_none_but_those_in_hidden_elements_are
    html =
      "<noscript><a href=/n>n</a></noscript><template><a href=/t>t</a></template><!-- <a href=/c>c</a> --><div " \
      "hidden><a href=/h>h</a></div>"

    assert_equal ["http://a.test/h"], links(html).map(&:target)
  end

  def test_every_type_of_link_is_found
    html = <<~HTML
      <link rel="stylesheet" href="/s.css"><link rel=next href="/n"><link rel=canonical href="http://a.test/dir/page">
      <link rel=alternate hreflang=da href="http://da.test/">
      <script src="/j.js"></script><iframe src="/f"></iframe>
      <form action="/g"></form><form method=post action="/p"></form>
      <picture><source srcset="/1.webp 1x, /2.webp 2x"><img src="/3.png"></picture>
      <map><area href="/area" alt="Here"></map>
    HTML
    found = read(html).links.map { |link| [link.type, link.target.delete_prefix("http://a.test")] }

    expected = [
      %w[style /s.css],
      %w[next /n],
      %w[script /j.js],
      %w[frame /f],
      %w[form /g],
      %w[image /1.webp],
      %w[image /2.webp],
      %w[image /3.png],
      %w[anchor /area],
      %w[hreflang http://da.test/],
      %w[canonical /dir/page]
    ]
    assert_equal expected, found
  end

  def test_a_page_that_says_nofollow_follows_none_of_its_links
    refute links("<meta name=robots content=none><a href=/x>x</a>").first.followed
    assert links("<meta name=otherbot content=nofollow><a href=/x rel=sponsored>x</a>").first.followed
  end

  def test_directives_of_meta_and_header_keep_their_agents
    facts =
      read(
        "<meta name=robots content='NOINDEX, follow'><meta name=irontrellis content=nofollow>",
        headers: [
          "Content-Type: text/html",
          "X-Robots-Tag: otherbot: none",
          "X-Robots-Tag: unavailable_after: 25 Jun 2027 15:00:00 PST",
          "X-ROBOTS-TAG: noarchive"
        ]
      )

    assert_equal [nil, "irontrellis", "otherbot", nil, nil], facts.directives.map(&:agent)
    resolved = Core::Directives::Resolved.new(facts.directives, "IronTrellis")
    assert_equal [true, true, false], [resolved.noindex?, resolved.nofollow?, resolved.header_alone?]
    assert_equal "meta robots", resolved.noindex.where
  end

  def test_a_header_that_restricts_alone_is_told_with_its_line
    resolved =
      Core::Directives::Resolved.new(
        read("<p>x", headers: ["Server: x", "X-Robots-Tag: noindex"]).directives,
        "IronTrellis"
      )

    assert resolved.header_alone?
    assert_equal "X-Robots-Tag, line 2 of the headers", resolved.noindex.where
  end

  CANONICALS = {
    "" => [nil, "none", nil],
    "<link rel=canonical href='http://a.test/dir/page'>" => ["http://a.test/dir/page", "self", "html"],
    "<link rel=CANONICAL href='page'>" => ["http://a.test/dir/page", "self", "html"],
    "<link rel=canonical href='http://a.test/other#x'>" => ["http://a.test/other", "other", "html"],
    "<link rel=canonical href=''>" => [nil, "malformed", "html"],
    "<link rel=canonical href='#top'>" => [nil, "malformed", "html"],
    "<link rel=canonical href='ftp://a.test/'>" => [nil, "malformed", "html"],
    "<link rel=canonical href='http://a.test/1'><link rel=canonical href='http://a.test/2'>" => [nil, "clash", "html"],
    "<link rel=canonical href=''><link rel=canonical href='http://a.test/2'>" => ["http://a.test/2", "other", "html"],
    "<body><p>x</p><link rel=canonical href='http://a.test/2'>" => [nil, "none", nil]
  }.freeze

  def test_canonicals_come_to_one_state
    CANONICALS.each do |html, expected|
      canonical = read(html).canonical
      assert_equal expected, [canonical.url, canonical.state, canonical.source], html
    end
  end

  def test_header_and_html_canonicals_are_weighed_together
    headers = [
      "Content-Type: text/html",
      'Link: <http://a.test/other>; rel="canonical", <http://da.test/>; rel=alternate; hreflang="da"'
    ]

    both = read("<link rel=canonical href='http://a.test/other'>", headers: headers)
    assert_equal ["both", "other"], [both.canonical.source, both.canonical.state]
    assert_equal [{code: "da", url: "http://da.test/", source: "header"}], both.hreflang
    assert_equal "clash", read("<link rel=canonical href='http://a.test/dir/page'>", headers: headers).canonical.state
  end

  def test_marks_of_malformed_and_misplaced_canonicals_are_kept_for_the_rules
    canonical =
      read("<link rel=canonical href='page'><body><div></div><link rel=canonical href='http://a.test/2'>").canonical

    assert_equal [["page"], ["http://a.test/2"]], [canonical.malformed, canonical.misplaced]
  end

  def test_a_refresh_is_instant_at_zero_seconds_only
    assert read("<meta http-equiv=refresh content='0; url=/new'>").refresh.instant?
    refute read("<meta http-equiv=refresh content='5;URL=\"/new\"'>").refresh.instant?
    assert_nil read("<meta http-equiv=refresh content='30'>").refresh
    assert_equal "header", read("<p>", headers: ["Content-Type: text/html", "Refresh: 0;url=/h"]).refresh.source
  end

  def test_the_encoding_is_told_by_mark_then_header_then_meta
    assert_equal "é", read("<title>\xE9</title>", headers: ["Content-Type: text/html; charset=iso-8859-1"]).title
    assert_equal "é", read("<meta charset=windows-1252><title>\xE9</title>", headers: ["Content-Type: text/html"]).title
    assert_equal "é",
      read("\xEF\xBB\xBF<title>é</title>", headers: ["Content-Type: text/html; charset=iso-8859-1"]).title
    assert_equal "\u0436",
      read(
        "\xFE\xFF".b + "<title>ж</title>".encode("UTF-16BE").b,
        headers: ["Content-Type: text/html"]
      ).title
  end

  def test_the_kind_is_told_by_type_and_else_by_the_first_bytes
    assert_equal "pdf", read("%PDF-1.7 x", headers: ["Content-Type: application/pdf"]).kind
    assert_equal "html", read("  <!DOCTYPE HTML><title>x</title>", headers: []).kind
    assert_equal "image", read("\x89PNG\r\n\x1A\n", headers: []).kind
    assert_equal ["other", "text/plain"], read("hello", headers: []).to_a.first(2)
  end

  def test_words_are_counted_in_visible_text_only_and_blocks_part_them
    facts =
      read(
        "<body><p>One two</p><p>three</p><script>four " \
          "five</script><style>six</style><noscript>seven</noscript>ei<b>ght</b><br>nine<table><tr><td>ten</td>" \
          "<td>eleven</td></table>"
      )

    assert_equal 7, facts.words
    assert_equal ["One two", "three", "eight", "nine", "ten", "eleven"], facts.text.lines(chomp: true)
  end

  def test_unreadable_bytes_never_raise
    srand(7)
    50.times { read(Random.bytes(2000)) }
    assert_equal "html", read("<a href='http://[bad'>x</a><a href='\xFF\xFE'>y</a>\0<title>\0</title>").kind
  end

  def reading_of(body) =
    IronTrellis::Core::Page::DocumentReading.new(
      "<body>#{body}</body>",
      IronTrellis::Core::Url::NormalForm.parse("http://a.test/")
    )

  def test_lines_that_are_nothing_but_links_and_where_anchors_stand
    page =
      reading_of(
        "<nav><a href=/n>Nav</a></nav><div>&nbsp;</div><h2><a href=/a>Oil</a></h2><p>On oil, with <a href=/b>a " \
        "word</a></p><p><a href=/c>One</a> | &nbsp;<a href=/d>Two</a> ›</p><a href=/e><h3>Card</h3>\n " \
        "<p>Said</p></a><p> <a href=/f><img src=/i alt=x></a></p>End"
      )
    assert_equal "Nav\nOil\nOn oil, with a word\nOne | Two ›\nCard\nSaid\nEnd", page.text
    assert_equal [1, 3], page.menus
    assert_equal [
      ["/a", 1, 1, true, true],
      ["/b", 2, 2, false, false],
      ["/c", 3, 3, false, false],
      ["/d", 3, 3, false, false],
      ["/e", 4, 5, false, true],
      ["/f", 6, 6, false, false]
    ],
      page.anchors.map { |one|
        [one.target.delete_prefix("http://a.test"), one.from, one.to, one.sole, one.heading]
      }
  end

  def test_a_button_may_be_an_image
    page =
      reading_of(
        '<form><input type=image src=/go.png alt=Go><input type="IMAGE" src=/x.png><input type=text name=q></form>'
      )
    assert_equal [2, 1, [%w[image http://a.test/go.png Go], ["image", "http://a.test/x.png", nil]]],
      [
        page.images,
        page.images_without_alt,
        page.links.select { |link| link.type == "image" }.map { |link| [link.type, link.target, link.text] }
      ]
  end
end
