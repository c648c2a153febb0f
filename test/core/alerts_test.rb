# frozen_string_literal: true

require_relative "../test_helper"

# What changed from crawl to crawl and is worth an alert; the limits are ours.
class ChangesTest < Minitest::Test
  Alerts = IronTrellis::Core::Alerts

  def changes(**limits) = Alerts::Changes.new(7, limits.transform_keys(&:to_s))

  def row(url, importance, stop = "open") = {"url" => url, "importance" => importance, "stop" => stop}

  def test_a_page_that_matters_fell
    alert = changes.fallen([row("/b", 70.0), row("/a", 90.0), row("/c", 69.9)])
    assert_equal ["page-fell", "crawl 7", %w[/a /b], 2], alert.to_h.values_at(:kind, :key, :urls, :count)
    assert_match(%r{\A/a and 1 more stopped in crawl 7: }, alert.what)
    assert_match(%r{\A/b stopped in crawl 7: }, changes.fallen([row("/b", 70.0)]).what)
  end

  def test_pages_that_matter_little_are_no_alert
    assert_nil changes.fallen([row("/c", 69.9), row("/d", nil)])
    assert_nil changes.fallen([])
    assert_equal %w[/c], changes(importance: 60).fallen([row("/c", 69.9)]).urls
  end

  def test_many_at_once_are_told_rung_by_rung_from_a_share_on
    rows = (0..4).map { |at| row("/#{at}", 1, "open") } + (5..8).map { |at| row("/#{at}", 1, "own") }
    told = changes.rungs(rows, 100)
    assert_equal [["crawl 7 open", 5]], told.map { |one| [one.key, one.count] }
    assert_match(/\A5 of 100 wanted pages stopped at once/, told.first.what)
    assert_empty changes.rungs(rows, 0), "of nothing there is no share"
  end

  def test_only_some_of_many_urls_are_named_and_all_are_counted
    alert = changes.noindex(Array.new(30) { |at| "/#{at}" })
    assert_equal [20, 30], [alert.urls.size, alert.count]
    assert_nil changes.noindex(Array.new(9, "/x"))
  end

  def test_another_robots_txt_is_told_with_what_went_and_came
    file = {"origin" => "http://a.test", "gone" => ["Disallow: /a"], "new" => ["Disallow: /", "Allow: /b"]}
    alert = changes.robots([file]).first
    assert_equal "http://a.test/robots.txt is another in crawl 7: - Disallow: /a; + Disallow: /; + Allow: /b.",
      alert.what
    assert_equal ["prove/compare", ["http://a.test/robots.txt"]], [alert.screen, alert.urls]
  end

  def test_a_sitemap_broke_by_its_answer_or_by_none
    told = changes.sitemaps([{"url" => "/s", "status" => 500}, {"url" => "/t", "status" => nil, "error" => "timeout"}])
    assert_equal ["/s can't be read any more: it answers 500.", "/t can't be read any more: timeout."], told.map(&:what)
  end

  def test_hides_that_end_soon_and_not_those_that_ended
    hides = [-1, 0, 14, 15].map { |days| {url: "/#{days}", ends_on: "2027-01-04", days_left: days} }
    assert_equal %w[/0 /14], changes.hides(hides).flat_map(&:urls)
    assert_equal %w[/0], changes(hide_days: 3).hides(hides).flat_map(&:urls)
  end

  def test_each_is_told_once_by_its_key
    fix = Struct.new(:name, :title, :urls).new("L3", "Put links right", [{"url" => "/a"}, {"url" => "/b"}])
    back = changes.returned([fix]).first
    assert_equal ["L3 crawl 7", "prove/proofs?fix=L3", 2], [back.key, back.screen, back.count]
    day = Date.new(2027, 1, 4)
    assert_equal "Alpha 2027-01-04", changes.unused("Alpha", 12, day).key
    refute_equal changes.unused("Alpha", 12, day).key, changes.unused("Alpha", 12, day + 1).key
  end

  def test_every_kind_is_known
    made = [
      changes.fallen([row("/a", 90)]), *changes.rungs([row("/a", 1)], 1), changes.noindex(Array.new(10, "/x")),
      *changes.robots([{"origin" => "o", "gone" => [], "new" => []}]), *changes.sitemaps([{"url" => "/s"}]),
      *changes.returned([Struct.new(:name, :title, :urls).new("L1", "t", [])]),
      *changes.hides([{url: "/x", days_left: 1}]), changes.unused("Alpha", 1, Date.new(2027, 1, 4))
    ]
    assert_equal Alerts::Alert::KINDS.keys.sort, made.map(&:kind).sort
  end
end
