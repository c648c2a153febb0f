# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/workbooks"

# Workbooks that were made to harm: each is refused in words by the process that reads it, which ends.
class HostileWorkbooksTest < Minitest::Test
  include Workbooks

  Workbook = IronTrellis::Ports::Tables::Workbook
  MILLION = 1_000_000
  HEADINGS = "<row r=\"1\"><c r=\"A1\" t=\"inlineStr\"><is><t>url</t></is></c></row>"

  def test_cells_where_no_sheet_has_any_are_refused
    {"ZZZZZZ2" => /no sheet has.*XFD1048576/m, "XFE2" => /column 16385/, "A1048577" => /row 1048577/}
      .each { |place, words| assert_match(words, problem_of(place)) }
    %w[A A0 7 €1 A1:B2].each { |place| assert_match(/can't be read|no sheet has/, problem_of(place), place) }
  end

  def test_rows_to_the_last_column_cost_no_more_than_they_hold
    rows = (2..3_000).map do |row|
      "<row r=\"#{row}\">#{cell("A#{row}", "http://a.test/#{row}")}#{cell("XFD#{row}", "x")}</row>"
    end
    with_workbook(SHEET => sheet(HEADINGS + rows.join)) do |path|
      found = read(path)
      assert_equal [2_999, [2, ["http://a.test/2"]]], [found.size, found.first]
    end
  end

  # What a few kilobytes unpack to is measured before any of it is.
  def test_what_unpacks_to_far_more_than_it_is_is_refused
    large = ->(head, piece, times) {
      ->(zip) {
        zip.write(head)
        times.times { zip.write(piece) }
      }
    }
    {
      SHEET => large.call("<worksheet><sheetData><row r=\"1\"><c r=\"A1\" t=\"str\"><v>", "x" * MILLION, 300),
      BOOK => large.call("<workbook><sheets>", "<sheet name=\"x\"/>" * 50_000, 20),
      STYLES => large.call("<styleSheet>", " " * MILLION, 60),
      SHARED => large.call("<sst>", "<si/>" * 200_000, 100)
    }.each { |part, text| assert_match(/unpacks to more than can be read/, problem(part => text), part) }
  end

  # Noise doesn't pack.
  def test_one_cell_of_all_is_refused
    noise = Random.new(1).bytes(30 * MILLION).unpack1("H*")
    assert_match(/can't be read|more memory/, problem(SHEET => sheet("<row r=\"1\">#{cell("A1", noise)}</row>")))
  end

  def test_what_is_nested_too_deep_broken_or_missing_is_refused
    deep = "<x>" * 50_000
    {
      SHEET => [sheet("<row r=\"1\"><c r=\"A1\">#{deep}</c></row>"), "<worksheet><sheetData><row", "", nil],
      BOOK => ["<workbook>#{deep}</workbook>", "", nil],
      SHARED => ["<sst>#{deep}"],
      "xl/_rels/workbook.xml.rels" => ["", nil, "<Relationships><Relationship Id=\"rId1\" Target=\"../../x\"/>"]
    }.each do |part, texts|
      texts.each do |text|
        shared = (part == SHARED) ? {SHEET => sheet("<row r=\"1\"><c r=\"A1\" t=\"s\"><v>0</v></c></row>")} : {}
        given = {SHEET => sheet(HEADINGS)}.merge(shared, part => text)
        assert_match(/can't be read|is empty/, problem(given), "#{part}: #{text.inspect[0, 60]}")
      end
    end
  end

  # The standard asks for no part of styles.
  def test_a_workbook_without_styles_is_read
    numbers = "<row r=\"2\"><c r=\"A2\" s=\"3\"><v>7</v></c></row>"
    with_workbook(SHEET => sheet(HEADINGS + numbers), STYLES => nil) { |path| assert_equal [[2, ["7"]]], read(path) }
  end

  # Neither in a process nor on disk.
  def test_nothing_is_left_of_what_was_read
    with_workbook(SHEET => sheet(HEADINGS + "<row r=\"2\">#{cell("A2", "x")}</row>")) do |path|
      table = Workbook.new(path)
      pid, folder = %i[@pid @folder].map { |name| table.instance_variable_get(name) }
      assert_path_exists folder
      table.close
      refute_path_exists folder
      assert_raises(Errno::ESRCH) { Process.kill(0, pid) }
    end
  end

  private

  def problem_of(place) = problem(SHEET => sheet("#{HEADINGS}<row r=\"2\">#{cell(place, "x")}</row>"))

  def read(path)
    table = Workbook.new(path)
    table.to_enum(:each).map { |cells, number, _| [number, cells] }
  ensure
    table&.close
  end

  def problem(parts)
    with_workbook({SHEET => sheet(HEADINGS)}.merge(parts)) do |path|
      return assert_raises(IronTrellis::Core::Error::InvalidInput) { read(path) }.message
    end
  end
end
