# frozen_string_literal: true

require "caxlsx"
require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/evidence_site"

# Files of evidence: what is kept, what is told, what a second import does.
class EvidenceImportTest < Minitest::Test
  include TestDatabase
  include EvidenceSite

  PAGES = <<~CSV
    URL,Clicks,Impressions,Position,Date,Country
    http://shop.test/,"1,234",20000,"3,4",2026-11-20,xx
    HTTP://shop.test:80/,6,100,7,2026-11-20,xx
    http://shop.test/about,5,1.000,8,2026-11-21,xx
    http://shop.test/about,6,1.000,8,2026-11-21,xx
    http://other.test/x,1,1,1,2026-11-21,xx
    http://shop.test/bad,-1,3,1,2026-11-21,xx
    nothing,1,3,1,2026-11-21,xx
    http://shop.test/half,1.5,3,1,2026-11-21,xx

    http://shop.test/share,5%,3,1,2026-11-21,xx
  CSV

  def test_every_row_is_counted_once
    result = import("pages", PAGES)
    assert_equal ["pages", "index", "2026-11-21", 9, 3, 0, 1, 1, 4, true],
      result.values_at(
        "kind",
        "index",
        "date",
        "rows",
        "kept",
        "unchanged",
        "replaced",
        "out_of_scope",
        "wrong_count",
        "whole"
      )
    assert_equal [7, 8, 9, 11], result["wrong"].map { |one| one["line"] }
    assert_match(/negative.*no web address.*no number.*no number/m, result["wrong"].map { |one| one["why"] }.join("\n"))
    assert_equal({"other.test" => 1}, result["other_hosts"])
    assert_equal 2, result["not_crawled"], "nothing was crawled"
  end

  def test_spellings_of_one_address_are_added_up_and_the_same_spelling_stands_last
    import("pages", PAGES)
    home, about = rows("clicks, impressions, position", "search_pages", "ORDER BY day")
    assert_equal [1240, 20_100, ((3.4 * 20_000 + 7 * 100) / 20_100).round(6)], home.values
    assert_equal [6, 1000, 8.0], about.values
  end

  def test_the_same_file_twice_changes_nothing
    import("pages", PAGES)
    again = import("pages", PAGES)
    assert_equal [0, 3, 1], again.values_at("kept", "unchanged", "replaced")
    assert_equal 2, rows("1", "search_pages").size
  end

  def test_a_later_file_replaces_what_it_names_and_can_be_taken_back
    import("standings", "url,standing,reason\nhttp://shop.test/a,in_index,\nhttp://shop.test/b,waiting,\n")
    second = import("standings", "url,standing,reason\nhttp://shop.test/a,passed_over,too thin\n")
    third = import("standings", "url,standing\nhttp://shop.test/a,hidden\nhttp://shop.test/c,in_index\n")
    assert_equal [[0, 0, 1], [1, 0, 1]], [second, third].map { |one| one.values_at("kept", "unchanged", "replaced") }
    assert_equal({"a" => "hidden", "b" => "waiting", "c" => "in_index"}, states)
    Store::Evidence::Import.of(@site).offset(1).first.undo(by: "Ines", now: NOW)
    assert_equal "hidden", states["a"], "a later one stands"
    Store::Evidence::Import.of(@site).first.undo(by: "Ines", now: NOW)
    assert_equal({"a" => "in_index", "b" => "waiting"}, states)
    assert_raises(IronTrellis::Core::Error::Conflict) do
      Store::Evidence::Import.of(@site).first.undo(by: "x", now: NOW)
    end
  end

  def test_what_is_left_of_a_day_that_was_taken_back_is_nothing
    import("goals", "url,goal,count\nhttp://shop.test/thanks,order,3\n")
    assert_equal 1, Store::Evidence::Days.of(@site, "goals", nil).size
    Store::Evidence::Import.of(@site).first.undo(by: "Ines", now: NOW)
    assert_empty Store::Evidence::Days.of(@site, "goals", nil)
  end

  def test_own_headings_and_words_are_told_once
    text = "Address;Coverage\nhttp://shop.test/a;Indexed\nhttp://shop.test/b;Left out\n"
    error = assert_raises(IronTrellis::Core::Evidence::Headings::Unknown) { import("standings", text) }
    assert_match(/url and standing can't be found.*“Address”, “Coverage”.*wanted are url, standing/, error.message)
    told = {
      columns: {
        "url" => "Address",
        "standing" => "coverage"
      },
      words: {
        "Indexed" => "in_index",
        "left OUT" => "passed_over"
      }
    }
    assert_equal 2, import("standings", text, **told)["kept"]
    assert_equal 2, import("standings", text)["unchanged"]
    assert_equal 2,
      import("standings", "url,standing\nhttp://shop.test/a,Indexed\nhttp://shop.test/b,passed_over\n")[
        "unchanged"
      ],
      "our own headings work where the others are absent"
  end

  def test_utf16_tabs_and_workbooks
    table = [%w[url query clicks impressions position], ["http://shop.test/å", "Lampe å", 3, 1200, 4.5]]
    text = table.map { |row| row.join("\t") }.join("\r\n")
    first = import("queries", "\uFEFF#{text}".encode("UTF-16LE"))
    assert_equal [1, "2026-11-28"], first.values_at("kept", "date")
    package = Axlsx::Package.new
    package.workbook.add_worksheet(name: "Rows") { |sheet| table.each { |row| sheet.add_row(row) } }
    assert_equal 1, import("queries", package.to_stream.read)["unchanged"]
    assert_equal ["lampe å"], rows("text", "search_queries JOIN queries ON query_id = id").map { |one| one["text"] }
  end

  def test_exactly_a_thousand_rows_are_taken_as_a_sample_until_told
    text = "url,standing\n#{(1..1000).map { |number| "http://shop.test/#{number},in_index\n" }.join}"
    refute import("standings", text)["whole"]
    assert import("standings", text, whole: true)["whole"]
    assert import("standings", "url,standing\nhttp://shop.test/1,waiting\n")["whole"], "a correction leaves the day"
  end

  def test_dates
    text =
      "url,clicks,impressions,date\nhttp://shop.test/a,1,2,3.11.2026\nhttp://shop.test/b,1,2,04/11/2026\n" \
        "http://shop.test/c,1,2,2026-11-05T10:00:00Z\nhttp://shop.test/d,1,2,11/30/2026\nhttp://shop.test/e,1,2,\n"
    result = import("pages", text)
    assert_equal ["2026-11-05", 4, 1], result.values_at("date", "kept", "wrong_count")
    assert_equal [["2026-11-03", true], ["2026-11-04", true], ["2026-11-05", false], ["2026-11-05", true]],
      rows("day, dated", "search_pages", "ORDER BY day, dated").map { |row|
        [row["day"].iso8601, row["dated"]]
      }
    ahead = "url,clicks,impressions,date\nhttp://shop.test/a,1,2,2026-11-29\nhttp://shop.test/a,1,2,2026-11-30\n"
    result = import("pages", ahead)
    assert_equal [1, 1, 3], [result["kept"], result["wrong_count"], result.dig("wrong", 0, "line")]
    assert_match(/2026-11-30 is after today/, result.dig("wrong", 0, "why"))
  end

  # The date that is told is the one of the file, whatever days its rows bear.
  def test_a_date_that_is_told_is_printed
    text = "url,clicks,impressions,date\nhttp://shop.test/a,1,2,2026-11-03\n"
    assert_equal "2026-11-20", import("pages", text, date: Date.new(2026, 11, 20))["date"]
    assert_equal "2026-11-03", import("pages", "#{text}\n")["date"]
  end

  def test_links_keep_their_further_columns
    import("links", "Source,Target,Anchor,Rating\nhttp://press.test/1,http://shop.test/a,Lamps,7\n")
    assert_equal [["http://press.test/1", "Lamps", {"Rating" => "7"}]],
      rows("source, anchor, more", "outside_links").map(&:values)
  end

  def test_what_cannot_be_used_leaves_nothing_behind
    ["", "url,standing\n"].zip([true, false])
      .each do |text, refused|
        next assert_equal(0, import("standings", text)["rows"]) unless refused

        assert_raises(IronTrellis::Core::Error::InvalidInput) { import("standings", text) }
      end
    assert_empty Store::Evidence::Days.of(@site, "standings", Store::Evidence::Index.of(@site).first)
    assert_raises(IronTrellis::Core::Evidence::Headings::Unknown) { import("standings", "a,b\n1,2\n", index: "New") }
    assert_equal %w[index], Store::Evidence::Index.of(@site).map(&:name)
    assert_raises(IronTrellis::Core::Error::InvalidInput) do
      import("standings", "url,standing\n", words: {"x" => "gone"})
    end
    assert_raises(IronTrellis::Core::Error::InvalidInput) { import("standings", "PK\x03\x04 no zip".b) }
    assert_empty rows("1", "search_pages")
  end

  def test_several_indexes_must_be_told_apart
    import("standings", "url,standing\nhttp://shop.test/a,in_index\n", index: "one")
    import("standings", "url,standing\nhttp://shop.test/a,waiting\n", index: "two")
    error = assert_raises(IronTrellis::Core::Error::InvalidInput) { import("standings", "url,standing\n") }
    assert_match(/several indexes: one, two/, error.message)
  end

  private

  def states
    rows("url, state", "standings JOIN urls USING (site_id)", "AND urls.id = url_id ORDER BY url").to_h do |row|
      [row["url"].split("/").last, row["state"]]
    end
  end
end
