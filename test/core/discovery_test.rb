# frozen_string_literal: true

require_relative "../test_helper"

# Which of a page's links become work, told by a page written for it.
class DiscoveryTest < Minitest::Test
  Fetch = IronTrellis::Fetch
  Core = IronTrellis::Core
  Frontier = IronTrellis::Store::Crawling::Frontier

  PAGE = <<~HTML
    <!doctype html><html><head><link rel="canonical" href="/canonical"><link rel="alternate" hreflang="da" href="/da">
    <link rel="stylesheet" href="/a.css">
    <script src="http://cdn.test/a.js"></script></head><body>
    <a href="/plain">p</a> <a href="/plain#part">again</a> <a rel="nofollow" href="/shy">n</a>
    <a href="/guide.pdf">pdf</a> <a href="http://other.test/x">out</a>
    <a href="/left-out/a">x</a> <img src="/i.png"> <iframe src="/frame"></iframe></body></html>
  HTML

  def outcome(html, depth: 0, hops: 0, redirect_to: nil)
    url = "http://a.test/"
    facts =
      html &&
      Core::Page::Reader.new(agent: "x").call(
        url: Core::Url::NormalForm.parse(url),
        header_lines: ["Content-Type: text/html"],
        body: html.b
      )
    Core::Crawling::Outcome.new(
      item: Frontier::Item.new(1, url, 0, depth, hops, 1, 0, 0),
      answer: Core::Crawling::Answer.new(status: 200),
      facts: facts,
      redirect_to: redirect_to
    )
  end

  def settings(**values) =
    Core::Settings::Crawl.new(
      {"start_urls" => ["http://a.test/"], "exclude" => ["*/left-out/*"]}.merge(values.transform_keys(&:to_s))
    )

  # @return [Hash{String => Array}] purpose and reason, by URL without our host
  def found(page = outcome(PAGE), **values)
    Core::Crawling::Discovery
      .new(settings(**values))
      .call(page)
      .to_h { |one| [one.url.delete_prefix("http://a.test"), [one.purpose, one.reason]] }
  end

  def test_links_references_frames_and_what_pages_embed_each_have_their_purpose
    expected = {
      "/canonical" => [:page, nil],
      "/da" => [:page, nil],
      "/plain" => [:page, nil],
      "/frame" => [:page, nil],
      "/guide.pdf" => [:page, nil],
      "/shy" => %i[page nofollow],
      "/a.css" => [:resource, nil],
      "/i.png" => [:resource, nil]
    }

    assert_equal expected, found
  end

  def test_what_the_settings_leave_out_is_left_out
    assert_equal({"/a.css" => [:resource, nil]}, found(images: false).select { |_, (purpose, _)| purpose == :resource })
    assert_equal [:page, :kind], found(pdfs: false)["/guide.pdf"]
    assert_equal [:page, nil], found(follow_nofollow: true)["/shy"]
    assert_nil found["http://other.test/x"]
    assert_equal [:external, nil], found(check_external: true)["http://other.test/x"]
  end

  def test_what_lies_too_deep_is_known_and_not_fetched
    assert_equal [:page, nil], found(outcome(PAGE, depth: 2), max_depth: 3)["/plain"]
    assert_equal [:page, :deep], found(outcome(PAGE, depth: 3), max_depth: 3)["/plain"]
  end

  def test_a_followed_mention_outweighs_one_that_is_not_wherever_it_stands
    both = ['<a rel="nofollow" href="/x">n</a>', '<a href="/x">f</a>']
    [both, both.reverse].each { |links| assert_equal({"/x" => [:page, nil]}, found(outcome(links.join)), links.join) }
    picture = ['<img src="/x">', '<a href="/x">f</a>']
    [picture, picture.reverse].each do |links|
      assert_equal({"/x" => [:page, nil]}, found(outcome(links.join)), links.join)
    end
  end

  def test_redirects_are_followed_at_the_same_depth_until_there_are_too_many
    hop =
      Core::Crawling::Discovery
        .new(settings)
        .call(outcome(nil, depth: 4, hops: 19, redirect_to: "http://a.test/next"))
        .first
    assert_equal ["http://a.test/next", 4, 20, nil], hop.to_h.values_at(:url, :depth, :hops, :reason)

    last =
      Core::Crawling::Discovery.new(settings).call(outcome(nil, hops: 20, redirect_to: "http://a.test/next")).first
    assert_equal :redirects, last.reason
  end

  def test_a_list_follows_redirects_and_nothing_else
    page = outcome(PAGE, redirect_to: "http://a.test/next")

    assert_equal ["http://a.test/next"], Core::Crawling::Discovery.new(settings, follow: false).call(page).map(&:url)
  end

  def test_what_is_settled_is_not_found_again
    discovery = Core::Crawling::Discovery.new(settings)
    discovery.settle(["http://a.test/plain"])

    refute_includes discovery.call(outcome(PAGE)).map(&:url), "http://a.test/plain"
  end
end
