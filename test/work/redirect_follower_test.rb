# frozen_string_literal: true

require_relative "../test_helper"

# Where answers lead, hop by hop; nothing is asked for but what the test answers itself.
class RedirectFollowerTest < Minitest::Test
  Core = IronTrellis::Core
  A = "http://a.test"

  def answer(status, location = nil) =
    Core::Crawling::Answer.new(
      status: status,
      header_lines: location ? ["Location: #{location}"] : [],
      body: ""
    )

  def parts(path) = Core::Url::NormalForm.parse(A + path)

  # @param answers [Hash{String => Array, String}] by path, status and location, or where a refresh leads
  def followed(first, answers, scope: nil)
    asked = []
    at = ->(url) { answers.fetch(url.to_s.delete_prefix(A)) { [200] }.then { |one| one.is_a?(String) ? [200] : one } }
    read = lambda do |url, _|
      to = answers[url.to_s.delete_prefix(A)]
      facts = Core::Page::Facts.new
      facts.refresh = Core::Page::Refresh.new(target: A + to, seconds: 0, source: "meta") if to.is_a?(String)
      facts
    end
    onward =
      IronTrellis::Work::Crawling::RedirectFollower.new(read: read, scope: scope) { |url|
        asked << url.to_s
        answer(*at.call(url))
      }
    found = onward.call(parts(first), answer(*at.call(parts(first))), read.call(parts(first), nil))
    [found, asked]
  end

  def test_redirects_and_refreshes_are_followed_to_their_end
    found, asked = followed("/1", {"/1" => [301, "/2"], "/2" => "/3", "/3" => [404]})
    assert_equal [["#{A}/2", "#{A}/3"], 2, 404, nil, false],
      [found.hops, found.asked, found.answer.status, found.how, found.refresh]
    assert_equal found.hops, asked
    assert followed("/2", {"/2" => "/3"}).first.refresh
  end

  def test_what_leads_nowhere_ends_where_it_is
    found, asked = followed("/1", {"/1" => [301]})
    assert_equal [[], 301, nil], [found.hops, found.answer.status, found.how]
    assert_empty asked
    assert_equal [], followed("/1", {"/1" => [302, "mailto:a@a.test"]}).first.hops
    refute followed("/1", {}).first.refresh
  end

  def test_a_circle_is_told_with_the_address_that_closes_it_and_not_asked_again
    found, asked = followed("/1", {"/1" => [301, "/2"], "/2" => [301, "/1"]})
    assert_equal [:loop, ["#{A}/2", "#{A}/1"], 1], [found.how, found.hops, found.asked]
    assert_equal ["#{A}/2"], asked
    assert_equal :loop, followed("/1", {"/1" => [301, ""]}).first.how
  end

  def test_a_way_without_end_is_left_after_ten_hops
    found, = followed("/0", (0..20).to_h { |n| ["/#{n}", [301, "/#{n + 1}"]] })
    assert_equal [:too_long, 10, "#{A}/10", 301], [found.how, found.asked, found.hops.last, found.answer.status]
  end

  def test_other_hosts_are_told_and_not_asked_where_a_scope_is_given
    scope = Object.new.tap { |one| one.define_singleton_method(:host?) { |url| url.start_with?(A) } }
    found, asked = followed("/1", {"/1" => [301, "http://b.test/x"]}, scope: scope)
    assert_equal [:off_site, ["http://b.test/x"], 0], [found.how, found.hops, found.asked]
    assert_empty asked
  end
end
