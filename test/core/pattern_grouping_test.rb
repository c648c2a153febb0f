# frozen_string_literal: true

require_relative "../test_helper"

# The thousand lost addresses that one rule answers, told from the odd one.
class PatternGroupingTest < Minitest::Test
  PatternGrouping = IronTrellis::Core::Redirects::PatternGrouping

  def lost(path, target = nil, status: target ? 301 : 410, valued: false) =
    PatternGrouping::Lost.new(
      url: "http://a.test#{path}",
      target: target && "http://a.test#{target}",
      status: status,
      valued: valued
    )

  def groups(*lost) =
    PatternGrouping
      .of(lost.flatten)
      .map do |group|
        [
          group.pattern.delete_prefix("http://a.test"),
          group.to&.delete_prefix("http://a.test"),
          group.status,
          group.urls.size,
          group.others
        ]
      end

  def test_what_moved_from_folder_to_folder_is_one_rule
    moved = %w[oil wick glass rope sail].map { |name| lost("/old/lamps/#{name}", "/shop/#{name}") }
    assert_equal [["/old/lamps/*", "/shop/$1", 301, 5, 0]], groups(moved, lost("/odd/one", "/x"))
    assert_equal [["/old/lamps/*", "/shop/$1", 301, 5, 1]], groups(moved, lost("/old/lamps/tar", "/lamps/tar-lamp"))
  end

  def test_numbered_addresses_that_end_in_one_place_or_nowhere
    assert_equal [["/shop/p-*", "/shop/", 301, 6, 0]],
      groups((101..106).map { |number| lost("/shop/p-#{number}", "/shop/") })
    gone = (1..5).map { |number| lost("/tmp/t#{number}") }
    assert_equal [["/tmp/t*", nil, 410, 5, 0]], groups(gone)
    assert_empty groups(gone.first(4), lost("/tmp/t9", valued: true)),
      "what is worth something isn't given up with the rest"
  end

  def test_few_or_unlike_ones_are_left_as_they_are
    assert_empty groups((1..4).map { |number| lost("/x/#{number}", "/y/#{number}") })
    assert_empty groups((1..6).map { |number| lost("/x/page#{number}", "/y/other-#{number * 7}") })
    assert_empty groups((1..6).map { |number| lost("/x?id=#{number}", "/y") })
  end
end
