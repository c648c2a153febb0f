# frozen_string_literal: true

require_relative "../test_helper"

class LadderTest < Minitest::Test
  Ladder = IronTrellis::Core::Ladder

  CLIMBS = {
    whole: true,
    depth: 1,
    robots_allowed: true,
    robots_reachable: true,
    fetched: true,
    status: 200,
    kind: "html",
    canonical_state: "self"
  }.freeze

  def climb(**changes) = Ladder::Climb.new(Ladder::Evidence.new(**CLIMBS, **changes))

  def test_a_sound_page_passes_all_that_can_be_judged
    assert_nil climb.stop
    assert climb.indexable?
  end

  def test_a_crawl_of_a_list_cannot_say_whether_a_page_is_found
    partial = climb(whole: false, depth: nil)

    assert_nil partial.stop
    assert_equal :unknown, partial.judgements["found"].state
  end

  STOPS = {
    {depth: nil} => ["found", /no followed link path/],
    {
      robots_allowed: false,
      robots_line: 4,
      robots_rule: "Disallow: /x",
      fetched: false,
      status: nil
    } => ["allowed", /line 4: Disallow/],
    {robots_allowed: false, robots_reachable: false, status: nil, fetched: false} => ["allowed", /could not be read/],
    {status: 404} => ["answers", /404/],
    {status: nil, error: "timeout"} => ["answers", /in time/],
    {status: 200, error: "too_large"} => ["answers", /larger/],
    {robots_allowed: nil, status: nil, error: "dns"} => ["answers", /no address/],
    {status: 301, redirect_to: "http://a.test/y"} => ["direct", %r{301 to http://a.test/y}],
    {status: 302} => ["direct", /without a usable Location/],
    {refresh_to: "http://a.test/y"} => ["direct", /refresh/],
    {noindex_where: "meta robots"} => ["open", /meta robots/],
    {canonical_state: "other", canonical: "http://a.test/y"} => ["own", %r{http://a.test/y}],
    {canonical_state: "clash"} => ["own", /differ/]
  }.freeze

  def test_each_rung_stops_what_it_should_and_says_why
    STOPS.each do |changes, (rung, reason)|
      stopped = climb(**changes)
      assert_equal rung, stopped.stop, changes
      assert_match reason, stopped.reason
      refute stopped.indexable? unless rung == "found"
    end
  end

  def test_the_first_rung_that_fails_is_the_stop
    assert_equal "allowed",
      climb(
        robots_allowed: false,
        robots_line: 1,
        robots_rule: "Disallow: /",
        noindex_where: "meta robots",
        status: 404
      ).stop
  end

  def test_a_sitemap_a_start_or_an_embedding_page_also_finds
    assert_nil climb(depth: nil, listed: true).stop
    assert_nil climb(depth: nil, start: true).stop
    assert_nil climb(depth: nil, embedded: true, kind: "image").stop
  end

  def test_what_was_not_fetched_is_unknown_and_not_indexable
    unfetched = climb(fetched: false, status: nil)

    assert_nil unfetched.stop
    refute unfetched.indexable?
    assert_equal :unknown, unfetched.judgements["answers"].state
  end

  def test_a_malformed_canonical_counts_as_none
    assert_nil climb(canonical_state: "malformed").stop
  end
end
