# frozen_string_literal: true

require_relative "../test_helper"

# The classes of what an index left out, each at its limit and just beside it.
class TriageTest < Minitest::Test
  Triage = IronTrellis::Core::Triage
  URL = "http://a.test/x"
  LIVE = {status: 200, hops: 0, final_url: URL, end_status: 200, noindex: false, content_type: "text/html"}.freeze
  PAGE = {
    url: URL,
    standing: "passed_over",
    standing_date: Date.new(2026, 11, 28),
    wanted: true,
    intent: "index",
    group: "/",
    links_in: 3,
    outside_links: 0,
    words: 200,
    clicks: 0,
    impressions: 0
  }.freeze

  def page(seen: {}, **given)
    Triage::LeftOut.new(**PAGE, **given, seen: seen && Triage::Seen.new(**LIVE, **seen))
  end

  def sorted(**given) = Triage::Sorting.of([page(**given)]).first

  def found(**given) = sorted(**given).then { |one| [one.kind, one.action, one.target] }

  def target(score) =
    IronTrellis::Core::Redirects::Suggestion.new(target: "http://a.test/new", score: score, reasons: [])

  MOVED = {status: 301, hops: 1, final_url: "http://a.test/y", end_status: 200}.freeze
  NOBODY = {links_in: 0, clicks: 0}.freeze

  def test_settled
    assert_equal ["settled", "none", nil], found(seen: MOVED, links_in: 0)
    assert_equal %w[settled repoint http://a.test/y], found(seen: MOVED)
    assert_equal ["settled", "none", nil],
      found(seen: {status: 200, refresh: true, hops: 1, final_url: "http://a.test/y"}, links_in: 0)
    assert_equal ["settled", "none", nil],
      found(seen: {status: 301, off_site: true, final_url: "http://b.test/"}, links_in: 0)
    assert_equal ["settled", "repoint", nil], found(seen: {status: 410, end_status: 410})
    assert_equal ["settled", "none", nil], found(seen: {noindex: true}, wanted: false, intent: "keep_out")
    assert_equal ["settled", "none", nil],
      found(seen: {blocked: true, status: nil}, wanted: false, intent: "keep_out")
    assert_equal ["settled", "none", nil], found(seen: {canonical: "http://a.test/c"}, canonical_in_index: true)
    assert_equal ["settled", "none", nil], found(seen: {status: 404, end_status: 404}, **NOBODY)
    assert_equal "settled", found(seen: {status: 404, end_status: 404}, **NOBODY, target: target(59)).first
    assert_equal "settled", found(soft_missing: true, **NOBODY).first
  end

  def test_to_route
    assert_equal %w[to_route route http://a.test/new],
      found(seen: {status: 404, end_status: 404}, **NOBODY, target: target(60))
    [{links_in: 1}, {**NOBODY, outside_links: 1}, {**NOBODY, clicks: 1}].each do |worth|
      assert_equal ["to_route", "route", nil], found(seen: {status: 404, end_status: 404}, **worth)
    end
    assert_equal "to_route", found(seen: {status: 451, end_status: 451}).first
    assert_equal "to_route", found(seen: MOVED.merge(end_status: 404)).first
  end

  def test_failing
    [
      {status: 500},
      {status: nil, error: "timeout"},
      {status: 401},
      {status: 403},
      {status: 407},
      {status: 429},
      MOVED.merge(end_status: 503),
      MOVED.merge(end_status: nil, end_error: "dns"),
      MOVED.merge(end_status: nil, loop: true),
      MOVED.merge(end_status: 403)
    ].each do |seen|
      assert_equal ["failing", "server", nil], found(seen: {end_status: seen[:status]}.merge(seen)), seen.inspect
    end
  end

  def test_shut
    [{noindex: true}, {canonical: "http://a.test/c"}].each do |seen|
      assert_equal ["shut", "open", nil], found(seen: seen)
    end
    assert_equal ["shut", "open", nil], found(seen: {blocked: true, status: nil})
    assert_equal "undervalued", found(seen: {canonical: URL}).first
  end

  def test_by_product
    %w[/tags/feed /rss /list/page/2 /search /cart /login /a/print /x?page=2 /x?sort=up /x?Q=lamp].each do |path|
      assert_equal ["by_product", "close_off", nil], found(url: "http://a.test#{path}"), path
    end
    %w[/feeding /searching /x?pages=2 /page/two].each do |path|
      assert_equal "undervalued", found(url: "http://a.test#{path}").first, path
    end
    assert_equal "by_product", found(url: "http://a.test/x?colour=red", bare_known: true).first
    assert_equal "by_product", found(seen: {content_type: "application/rss+xml"}).first
    assert_equal "by_product", found(wanted: false, intent: "keep_out").first
    assert_equal "by_product", found(links_in: 0, words: 49).first
  end

  def test_stranded
    assert_equal ["stranded", "link_or_retire", nil], found(links_in: 0, words: 50)
    assert_equal "stranded", found(links_in: 0, words: 0, impressions: 1).first
    assert_equal "stranded", found(links_in: 0, words: 0, outside_links: 1).first
    assert_equal "undervalued", found(links_in: 1, words: 49).first
  end

  def test_too_alike_young_and_the_rest
    assert_equal %w[too_alike merge http://a.test/m], found(copy_of: "http://a.test/m")
    assert_equal %w[too_alike merge http://a.test/k], found(standing: "kept_elsewhere", kept_under: "http://a.test/k")
    assert_equal ["young", "request", nil], found(standing: "waiting", since: Date.new(2026, 11, 1))
    assert_equal "undervalued", found(standing: "waiting", since: Date.new(2026, 10, 31)).first
    assert_equal ["undervalued", "strengthen", nil], found
  end

  def test_what_is_open_again_is_to_be_fetched_again
    %w[turned_away_noindex turned_away_robots].each do |standing|
      one = sorted(standing: standing)
      assert_equal %w[undervalued request], [one.kind, one.action]
      assert_match(/it has to fetch it again/, one.reasons.last)
    end
  end

  def test_what_nobody_looked_at_has_no_class
    assert_equal [[nil, nil, nil], ["no crawl knows it, and it was not fetched"]],
      sorted(seen: nil).then { |one| [[one.kind, one.action, one.target], one.reasons] }
  end

  def test_one_cause_is_told_first_and_the_odd_one_is_left_alone
    pages =
      (1..3).map { |number| page(url: "http://a.test/feed/#{number}/rss") } +
      [page(url: "http://a.test/odd", links_in: 0)]
    all = Triage::Sorting.of(pages)
    assert_equal ["one cause: 3 of 4 in /", "it is a feed"], all.first.reasons
    assert_match(/best left alone/, all.last.reasons.last)
    half = Triage::Sorting.of([page, page(url: "http://a.test/rss")])
    refute half.any? { |one| one.reasons.first.start_with?("one cause") }, "half is not more than half"
  end
end
