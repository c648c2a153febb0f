# frozen_string_literal: true

require "open3"
require_relative "../test_helper"

# The calendar of a plan (RFC 5545), read by npm's ical.js.
class CalendarReferenceTest < Minitest::Test
  Plan = IronTrellis::Ports::Calendars::Plan

  def test_another_library_reads_whole_days_stable_ids_and_sequences
    events = [
      ["F1", "Write, mend; and “fold” #{"a long line " * 12}\nof two", "2027-01-04", "2027-01-04", 0],
      ["F20", "Høyde – 漢字 and a comma, too", "2026-12-31", "2027-01-08", 7]
    ]
    text =
      Plan.text(
        "Åsa & Co / site",
        events.map do |id, title, from, to, sequence|
          Plan::Event.new(
            id: id,
            title: title,
            owner: "Ines",
            start: Date.iso8601(from),
            finish: Date.iso8601(to),
            sequence: sequence,
            changed_at: Time.utc(2026, 11, 29)
          )
        end
      )
    assert(text.lines.all? { |line| line.chomp.bytesize <= 75 }, "lines are folded (RFC 5545 section 3.1)")
    read = JSON.parse(read_by_ical(text))
    read.zip(events) do |found, (id, title, from, to, sequence)|
      assert_equal "#{id}@#{ERB::Util.url_encode("Åsa & Co / site")}", found["uid"]
      assert_includes found["summary"], title
      assert_equal [from, (Date.iso8601(to) + 1).iso8601, true, sequence],
        found.values_at("from", "until", "whole", "sequence")
    end
  end

  private

  def read_by_ical(text)
    out, status = Open3.capture2("node", File.join(__dir__, "ical.mjs"), stdin_data: text)
    assert_predicate status, :success?
    out
  end
end
