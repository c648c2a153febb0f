# frozen_string_literal: true

require_relative "../test_helper"

# By day within a quota.
class PortionsTest < Minitest::Test
  One = Struct.new(:url, :importance, :entered_at)
  TODAY = Date.new(2026, 11, 28)

  def test_days_fill_up_from_what_is_left_of_today
    queue = (1..7).map { |number| One.new("u#{number}", number % 3, number) }
    days = IronTrellis::Core::Requests::Portions.of(queue, quota: 3, used: 2, today: TODAY)
    assert_equal %w[u2 u5 u1 u4 u7 u3 u6], days.map { |one, _| one.url }
    assert_equal [0, 1, 1, 1, 2, 2, 2], days.map { |_, day| (day - TODAY).to_i }
  end

  def test_a_quota_that_is_used_up_begins_tomorrow
    one = One.new("u", 1, 1)
    assert_equal TODAY + 1, IronTrellis::Core::Requests::Portions.of([one], quota: 3, used: 9, today: TODAY)[0][1]
  end
end
