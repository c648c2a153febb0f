# frozen_string_literal: true

require_relative "../test_helper"

# Redirect maps as a whole.
class RoutesTest < Minitest::Test
  Routes = IronTrellis::Core::Redirects

  def check(*rows) =
    Routes::MapCheck.new(rows.map { |from, to, status| Routes::Route.new(from: from, to: to, status: status || 301) })

  def flaws(*rows) = check(*rows).flaws.map(&:to_a)

  def flattened(*rows) = check(*rows).flattened.map { |route| route.to_a.first(3) }

  def test_a_sound_map_stays_as_it_is
    map = [["/a", "/b", 301], ["/c", nil, 410], ["http://a.test/d", "http://b.test/", 308]]
    assert_empty flaws(*map)
    assert_equal map, flattened(*map)
  end

  def test_a_chain_is_told_on_every_rule_but_its_last_and_ends_where_the_last_one_does
    map = [["/a", "/b", 302], ["/b", "/c"], ["/c", "/d"]]
    assert_equal [["route-chain", "/a", "/b"], ["route-chain", "/b", "/c"]], flaws(*map)
    assert_equal [["/a", "/d", 302], ["/b", "/d", 301], ["/c", "/d", 301]], flattened(*map)
  end

  def test_a_chain_that_ends_in_a_410_is_gone_from_its_beginning
    assert_equal [["/a", nil, 410], ["/b", nil, 410]], flattened(["/a", "/b"], ["/b", nil, 410])
  end

  def test_a_loop_is_told_once_and_left_out_with_all_that_leads_into_it
    map = [["/x", "/c"], ["/c", "/a"], ["/a", "/b"], ["/b", "/c"], ["/ok", "/end"]]
    assert_equal [["route-chain", "/x", "/c"], ["route-loop", "/a", "/b"]], flaws(*map)
    assert_equal [["/ok", "/end", 301]], flattened(*map)
  end

  def test_a_rule_to_itself_is_that_only
    assert_equal [["route-to-itself", "/a", "/a#part"]], flaws(["/a", "/a#part"])
    assert_empty flattened(["/a", "/a"])
  end

  def test_of_two_rules_for_one_source_the_first_stands
    map = [["http://a.test/x", "/y"], ["HTTP://A.test:80/x", "/z"]]
    assert_equal [["route-twice", "HTTP://A.test:80/x", "/y"]], flaws(*map)
    assert_equal [["http://a.test/x", "/y", 301]], flattened(*map)
  end

  def test_statuses_are_those_of_redirects_and_410_leads_nowhere
    assert_equal [%w[route-status /a 200], %w[route-status /b 410], %w[route-status /c 301]],
      flaws(["/a", "/x", 200], ["/b", "/x", 410], ["/c", nil, 301])
    assert_empty flaws(*[301, 302, 303, 307, 308].map { |status| ["/#{status}", "/x", status] })
  end
end

# What a map answers to one URL.
class RouteTableTest < Minitest::Test
  Routes = IronTrellis::Core::Redirects

  def answer(url, *rows)
    table =
      Routes::Table.new(
        rows.map do |from, to, options|
          Routes::Route.new(from: from, to: to, status: 301, kind: "exact", query: "match", **(options || {}))
        end
      )
    table.answer(url)&.target
  end

  PATTERN = {kind: "pattern", query: "drop"}.freeze

  def test_an_address_of_its_own_stands_before_patterns_and_the_first_pattern_before_the_next
    rows = [
      ["http://a.test/x/*", "http://a.test/y/$1", PATTERN],
      ["http://a.test/x/1*", "http://a.test/never", PATTERN],
      %w[http://a.test/x/1 http://a.test/one]
    ]
    assert_equal ["http://a.test/one", "http://a.test/y/12", nil],
      %w[http://a.test/x/1 http://a.test/x/12 http://a.test/z].map { |url| answer(url, *rows) }
  end

  def test_a_query_is_matched_kept_or_dropped
    assert_nil answer("http://a.test/x?q", ["http://a.test/x", "http://a.test/y"])
    assert_equal "http://a.test/y", answer("http://a.test/x?q", ["http://a.test/x?q", "http://a.test/y"])
    assert_equal "http://a.test/y?q",
      answer("http://a.test/x?q", ["http://a.test/x", "http://a.test/y", {query: "keep"}])
    assert_equal "http://a.test/y?z&q",
      answer("http://a.test/x?q", ["http://a.test/x", "http://a.test/y?z", {query: "keep"}])
    assert_equal "http://a.test/y", answer("http://a.test/x?q", ["http://a.test/x", "http://a.test/y", {query: "drop"}])
  end

  def test_groups_of_an_expression_are_captured
    assert_equal "http://a.test/7/lamp",
      answer(
        "http://a.test/lamp-7.html",
        ["/^http:\\/\\/a\\.test\\/([a-z]+)-([0-9]+)\\.html$/", "http://a.test/$2/$1", PATTERN]
      )
  end
end
