# frozen_string_literal: true

require_relative "../test_helper"

# Link headers, refreshes, spaces, dropped parameters, similarity of texts, robots crawl-delay.
class SmallReadingsTest < Minitest::Test
  Core = IronTrellis::Core

  # Source: RFC 8288 section 3.5, its four examples.
  def test_link_headers_of_the_rfc
    read = ->(value) { Core::Page::LinkHeader.read(value).map { |entry| [entry.target, entry.rels] } }

    assert_equal [["http://example.com/TheBook/chapter2", ["previous"]]],
      read.call('<http://example.com/TheBook/chapter2>; rel="previous"; title="previous chapter"')
    assert_equal [["/", ["http://example.net/foo"]]], read.call('</>; rel="http://example.net/foo"')
    assert_equal [["/terms", ["copyright"]]], read.call('</terms>; rel="copyright"; anchor="#foo"')
    assert_equal [["/TheBook/chapter2", ["previous"]], ["/TheBook/chapter4", ["next"]]],
      read.call(
        '</TheBook/chapter2>; rel="previous"; title*=UTF-8\'de\'letztes%20Kapitel, ' \
        '</TheBook/chapter4>; rel="next"; title*=UTF-8\'de\'n%c3%a4chstes%20Kapitel'
      )
  end

  def test_odd_link_headers
    entries = Core::Page::LinkHeader.read('<a,b>;rel=next;rel=prev, <c> ; REL = "canonical start" , nonsense, <d')

    assert_equal [["a,b", ["next"]], ["c", %w[canonical start]]], entries.map { |entry| [entry.target, entry.rels] }
  end

  def test_link_headers_bring_next_prev_and_languages
    facts =
      Core::Page::Reader.new(agent: "x").call(
        url: Core::Url::NormalForm.parse("http://a.test/2"),
        body: "".b,
        header_lines: [
          "Content-Type: application/pdf",
          "Link: </1>; rel=prev, </3>; rel=next, </da>; rel=alternate; hreflang=da"
        ]
      )

    assert_equal [%w[next http://a.test/3], %w[prev http://a.test/1], %w[hreflang http://a.test/da]],
      facts.links.map { |link| [link.type, link.target] }
  end

  # Source: HTML standard, "shared declarative refresh steps".
  def test_refreshes
    resolver = Core::Url::Resolver.new(Core::Url::NormalForm.parse("http://a.test/dir/"))
    read = ->(value) do
      Core::Page::Refresh.read(value, source: "meta", resolver: resolver)&.then { |one| [one.seconds, one.target] }
    end

    {
      "0; url=/x" => [0, "http://a.test/x"],
      " 5 ; URL = 'y' " => [5, "http://a.test/dir/y"],
      "3,z" => [3, "http://a.test/dir/z"],
      "0;url=\"/q\"rest" => [0, "http://a.test/q"],
      "1.9; url=/w" => [1, "http://a.test/w"],
      "10" => nil,
      "x; url=/x" => nil,
      "0; url=javascript:x" => nil,
      "" => nil
    }.each { |value, expected| assert_equal [expected].first.inspect, read.call(value).inspect, value }
  end

  def test_spaces_are_patterns_first_and_what_has_no_end_next
    spaces = Core::Url::Spaces.new(caps: [{"pattern" => "*/tags/*", "most" => 7}], trap_limit: 50)

    assert_equal ["pattern", "*/tags/*", 7], spaces.of("http://a.test/tags/x/x/x/").to_a
    assert_equal ["repeating segments", "http://a.test/…", 50], spaces.of("http://a.test/x/x/x/").to_a
    assert_nil spaces.of("http://a.test/lamps/")
  end

  def test_parameters_are_dropped_by_name_or_beginning
    drop = Core::Url::DroppedParameters.new(%w[sid utm_*])

    {
      "sid=1" => nil,
      "a=1&sid=2&b" => "a=1&b",
      "SID=1" => "SID=1",
      "utm_source=x&utm_=y&utm" => "utm",
      "asid=1" => "asid=1",
      "" => ""
    }.each { |query, expected| assert_equal [expected], [drop.call(query)], query }
    assert_nil Core::Url::DroppedParameters.new(["*"]).call("a=1&b=2")
  end

  def test_the_scope_says_why_a_url_is_outside
    scope =
      Core::Url::Scope.new(
        hosts: ["a.test"],
        folders: %w[/pt/ http://a.test/it/],
        include: [Core::Url::Pattern.new("*.html")],
        exclude: [Core::Url::Pattern.new("*draft*")]
      )

    {
      "http://b.test/pt/x.html" => [:host, "b.test"],
      "http://a.test/en/x.html" => [:folder, nil],
      "http://a.test/pt/x" => [:include, nil],
      "http://a.test/it/draft.html" => [:exclude, "*draft*"],
      "http://a.test/it/x.html" => nil
    }.each { |url, expected| assert_equal [expected], [scope.objection(url)], url }
    assert scope.embeds?("http://a.test/images/lamp.png")
    refute scope.embeds?("http://a.test/draft.png")
  end

  MISSING =
    "This lamp isn't here. Perhaps it never was, or the address has a slip in it. Begin again at the front page, or " \
    "write to us and say what you were looking for, and we will look in the book. You asked for"

  def test_a_page_reads_like_the_missing_page_when_nearly_all_of_it_is_the_same
    missing = Core::Content::MissingPage.new(title: "Not here", text: "#{MISSING} /made-up-path.")

    assert missing.like?(title: "Not here", text: "#{MISSING} /lamps/ms-33.")
    refute missing.like?(
      title: "Not here",
      text:
        "#{MISSING[0, 90]} but the MS-40 is, in copper, with a lens ground in one piece and a light that carries " \
        "five miles in clear weather."
    )
    empty = Core::Content::MissingPage.new(title: "Oops", text: "")
    assert empty.like?(title: "Oops", text: "anything")
    refute empty.like?(title: "Lamps", text: "")
  end

  def test_similarity_is_the_share_of_runs_of_words_that_both_have
    similarity = Core::Content::Similarity

    assert_in_delta 1.0, similarity.of(similarity.runs("One two, three FOUR"), similarity.runs("one two three four."))
    assert_in_delta 1.0 / 3, similarity.of(similarity.runs("a b c d"), similarity.runs("a b c x"))
    assert_in_delta 0.0, similarity.of(similarity.runs("a b"), similarity.runs("a c"))
  end

  def test_the_crawl_delay_of_a_group
    text =
      "User-agent: Lampbot\nCrawl-delay: 2.5\nDisallow: /x\n\nUser-agent: *\nCrawl-delay: 10\n\nUser-agent: " \
      "Reefbot\nCrawl-delay: soon\n"
    delay = ->(agent) { Core::Robots::Policy.from_answer(status: 200, text: text, agent: agent).delay }

    assert_equal [2.5, 10.0, nil], [delay.call("lampbot"), delay.call("Other"), delay.call("Reefbot")]
  end

  def test_what_was_meant_by_a_mistyped_link
    cause = Core::Faults::LikelyCause
    {
      "http://a.test/x/https//b.test/y" => "a colon was left out behind the scheme",
      "http://a.test/x/info@a.test" => "“mailto:” was left out in front of an e-mail address",
      "http://a.test/users/@ines" => nil
    }.each { |target, expected| assert_equal [expected], [cause.of("http://a.test/x/", target)], target }
    assert_equal(
      {"https://b.test/y" => "a colon was left out behind its scheme in a link"},
      cause.meant("http://a.test/x/https//b.test/y")
    )
    assert_empty cause.meant("http://a.test/x/info@a.test")
  end
end
