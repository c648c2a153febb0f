# frozen_string_literal: true

require_relative "../test_helper"

# A plan as a calendar. Source: RFC 5545, sections 3.1 (lines), 3.6.1 (events), 3.8.4.7 (UID), 3.8.7.4 (SEQUENCE).
class CalendarsTest < Minitest::Test
  Plan = IronTrellis::Ports::Calendars::Plan

  def text(**more)
    event =
      Plan::Event.new(
        id: "F7",
        title: "Write anew on pages of /lamps/, 1; with a title that is longer than one line of a calendar may be, ü",
        owner: "Ada",
        start: Date.new(2027, 1, 4),
        finish: Date.new(2027, 1, 5),
        sequence: 2,
        changed_at: Time.utc(2026, 11, 29, 2),
        **more
      )
    Plan.text("Skerry Lamp Works", [event])
  end

  def test_an_event_has_whole_days_and_ends_the_day_after
    lines = text.split("\r\n")
    assert_includes lines, "DTSTART;VALUE=DATE:20270104"
    assert_includes lines, "DTEND;VALUE=DATE:20270106"
    assert_includes lines, "UID:F7@Skerry%20Lamp%20Works"
    assert_includes lines, "SEQUENCE:2"
    assert_includes lines, "DTSTAMP:20261129T020000Z"
  end

  def test_lines_are_folded_at_75_octets_and_texts_escaped
    assert_operator text.split("\r\n").map(&:bytesize).max, :<=, 75
    unfolded = text.gsub("\r\n ", "")
    assert_includes unfolded, "SUMMARY:F7 Write anew on pages of /lamps/\\, 1\\; with a title"
    assert text.end_with?("END:VCALENDAR\r\n")
  end
end
