# frozen_string_literal: true

require_relative "../test_helper"
require "csv"
require "zip"

class TablesTest < Minitest::Test
  Tables = IronTrellis::Ports::Tables

  COLUMNS = %w[url words title faults].freeze
  ROWS = [
    ["http://a.test/ä", 12, "Said \"so\", and\nmore", %w[thin orphan]],
    ["http://a.test/2", nil, "=1+1", []],
    ["http://a.test/3", -4, "1e5", ["-x"]]
  ].freeze

  def written(name, rows = ROWS)
    Dir.mktmpdir("tables") do |folder|
      path = File.join(folder, "t.#{name}")
      Tables.named(name).write(path, COLUMNS, rows)
      File.binread(path)
    end
  end

  # Source: RFC 4180 (quotes doubled, lines ended by CRLF), read back by Ruby's own CSV.
  def test_csv_is_read_back_and_holds_no_formula
    text = written("csv").force_encoding("UTF-8")

    assert text.start_with?("\uFEFFurl,words,title,faults\r\n")
    assert_equal [
      ["http://a.test/ä", "12", "Said \"so\", and\nmore", "thin; orphan"],
      ["http://a.test/2", nil, "'=1+1", ""],
      %w[http://a.test/3 -4 1e5 '-x]
    ],
      CSV.parse(text.delete_prefix("\uFEFF")).drop(1)
  end

  # Source: OWASP, CSV injection: what begins with a break and then =, and wide signs, too.
  def test_blanks_and_breaks_hide_no_formula
    formulas = ["\n=1+1", " \r\n @x", "\u00A0+1", "＝1", "\u200B-1", "\ttext"]
    text = written("csv", [formulas, ["a\n=b", "say = 1", "", nil]]).force_encoding("UTF-8")

    assert_equal [formulas.map { |one| "'#{one}" }, ["a\n=b", "say = 1", "", nil]],
      CSV.parse(text.delete_prefix("\uFEFF")).drop(1)
  end

  def test_json_lines_keep_lists_and_types
    assert_equal ROWS, written("jsonl").lines.map { |line| JSON.parse(line).values }
  end

  # Source: ISO/IEC 29500: texts stand in the cells as they are, numbers as numbers, and nothing is a formula.
  def test_a_workbook_holds_texts_as_texts_and_numbers_as_numbers
    sheet = Zip::InputStream.open(StringIO.new(written("xlsx"))) do |zip|
      while (entry = zip.get_next_entry)
        break Nokogiri::XML(zip.read).remove_namespaces! if entry.name == "xl/worksheets/sheet1.xml"
      end
    end
    cells = sheet.xpath("//row").map { |row| row.xpath("c").map { |cell| [cell["t"], cell.text] } }

    assert_equal COLUMNS, cells[0].map(&:last)
    assert_equal ["http://a.test/ä", "12", "Said \"so\", and\nmore", "thin; orphan"], cells[1].map(&:last)
    assert_equal %w[=1+1 1e5], cells[2..3].map { |row| row[2].last.delete_prefix("'") }
    assert_equal [true, false], [cells[3][2].first, cells[3][1].first].map { |type| %w[inlineStr s str].include?(type) }
    assert_empty sheet.xpath("//f")
  end

  def test_other_formats_are_refused
    assert_raises(IronTrellis::Core::Error::InvalidInput) { Tables.named("pdf") }
  end
end
