# frozen_string_literal: true

require_relative "../test_helper"

class TimetableTest < Minitest::Test
  Core = IronTrellis::Core

  def timetable(cron, zone = "UTC") = Core::Settings::Timetable.new(cron: cron, time_zone: zone)

  def test_the_next_time_is_told_in_its_zone
    monday = Time.utc(2026, 11, 23, 4, 30)

    assert_equal Time.utc(2026, 11, 30, 4, 30), timetable("30 4 * * mon").next_after(monday)
    assert_equal monday, timetable("30 4 * * mon").next_after(monday - 1)
    # In July Lisbon is an hour before UTC.
    assert_equal Time.utc(2026, 7, 2, 3, 30),
      timetable("30 4 * * *", "Europe/Lisbon").next_after(Time.utc(2026, 7, 1, 12))
  end

  def test_what_is_no_timetable_is_refused_with_the_remedy
    {
      ["at dawn", "UTC"] => /minute, hour, day/,
      ["30 4 * * *", "Skerry"] => /no time zone/,
      ["30 4 * * *", "Europe/#{"Lisbon" * 30_000}"] => /\A.{0,200}no time zone/,
      ["*/5 * * * *", "UTC"] => /once an hour/,
      ["", "UTC"] => /no timetable/,
      ["30 4 * * * *", "UTC"] => /no timetable/
    }.each do |given, message|
      assert_match message, assert_raises(Core::Settings::Problems) { timetable(*given) }.message
    end
  end
end
