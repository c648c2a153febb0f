# frozen_string_literal: true

require "zip"
require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/evidence_site"

# Files that would harm, or that somebody made in haste: each is refused in words, or told row by row, and nothing is
# half done.
class HostileEvidenceTest < Minitest::Test
  include TestDatabase
  include EvidenceSite

  Wrong = IronTrellis::Core::Error::InvalidInput

  def test_a_workbook_that_unpacks_to_too_much_is_refused_before_it_is
    bomb =
      Zip::OutputStream.write_buffer do |zip|
        zip.put_next_entry("xl/sharedStrings.xml")
        160.times { zip.write("\0" * 1_000_000) }
      end
    assert_operator bomb.string.bytesize, :<, 1_000_000
    assert_match(/unpacks to more than can be read/, assert_raises(Wrong) { import("standings", bomb.string) }.message)
  end

  def test_a_million_columns
    wide = "url,standing,#{(1..300_000).map { |number| "c#{number}" }.join(",")}\n"
    assert_match(/longer than 1 MB/, assert_raises(Wrong) { import("standings", wide) }.message)
    row = "url,standing\nhttp://shop.test/a,in_index#{"," * 900_000}\nhttp://shop.test/b,in_index\n"
    assert_equal [2, 0], import("standings", row).values_at("kept", "wrong_count"), "too many cells are passed over"
  end

  def test_a_line_without_end_costs_itself
    text = "url,standing\nhttp://shop.test/a,in_index\n#{"x" * 20_000_000}\nhttp://shop.test/b,waiting\n"
    result = import("standings", text)
    assert_equal [3, 2, [3]], [result["rows"], result["kept"], result["wrong"].map { |one| one["line"] }]
  end

  def test_formulas_are_no_addresses_and_mixed_bytes_are_told_or_kept
    text =
      "url,query,clicks,impressions\n=HYPERLINK(\"x\"),a,1,1\n".b +
      "http://shop.test/a,caf\xE9,1,2\nhttp://shop.test/b,=1+1,9,3\n".b
    result = import("queries", text)
    assert_equal [2, [2]], [result["kept"], result["wrong"].map { |one| one["line"] }]
    assert_equal ["=1+1", "caf\u00E9"],
      rows("text", "search_queries JOIN queries ON query_id = id", "ORDER BY text").map { |row| row["text"] }
  end

  def test_clicks_above_impressions_and_numbers_beyond_measure
    text = "url,clicks,impressions\nhttp://shop.test/a,9,3\nhttp://shop.test/b,#{"9" * 40},3\nhttp://shop.test/c,-0,1\n"
    result = import("pages", text)
    assert_equal [1, [3, 4]], [result["kept"], result["wrong"].map { |one| one["line"] }]
  end

  def test_an_import_that_dies_leaves_nothing_behind
    text = "url,standing\n#{(1..6000).map { |number| "http://shop.test/#{number},in_index\n" }.join}"
    assert_raises(Interrupt) { dying(text) }
    assert_empty rows("1", "standings")
    assert_empty Store::Evidence::Import.of(@site)
    assert_equal 6000, import("standings", text)["kept"]
  end

  def test_utf16_without_a_mark_and_old_line_ends
    table = "url\tstanding\r\nhttp://shop.test/a\tin_index\r\n"
    assert_equal 1, import("standings", table.encode("UTF-16LE").b)["kept"]
    assert_equal 1, import("standings", table.encode("UTF-16BE").b)["unchanged"]
  end

  private

  def dying(text)
    told = IronTrellis::Work::Evidence::Importing::Told.new(kind: "standings", columns: {}, words: {}, name: "x")
    Tempfile.create("evidence") do |file|
      file.write(text)
      file.flush
      IronTrellis::Work::Evidence::Importing.new(@site, file.path, told, now: NOW).call { raise Interrupt }
    end
  end
end
