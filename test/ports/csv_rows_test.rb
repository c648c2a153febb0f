# frozen_string_literal: true

require_relative "../test_helper"

# Files that people made, row by row; what can't be used is told by line.
class CsvRowsTest < Minitest::Test
  Ports = IronTrellis::Ports

  def read(bytes, columns = %w[from to], **options)
    rows = Ports::Tables::CsvRows.new(bytes, columns, **options)
    found = []
    rows.each { |row, line| found << [line, *row.values] }
    [found, rows.bad.map { |bad| [bad.line, bad.why] }]
  end

  def test_columns_stand_in_any_order_case_and_number
    assert_equal [[[2, "/a", "/b"]], []], read("Note,TO,From\nx,/b,/a\n")
    assert_equal [[[2, "/a", "/b", ""]], []], read("from,to\n/a,/b\n", optional: ["kind"])
    assert_equal [[[2, "/a", "/b", "pattern"]], []], read("from,to,kind\n/a,/b,pattern\n", optional: ["kind"])
  end

  def test_other_delimiters_marks_and_encodings_are_read
    table = "from;to\r\n/å;/ø\r\n"
    [
      table,
      table.tr(";", "\t"),
      table.tr(";", "|"),
      "\uFEFF#{table}",
      "\uFEFF#{table}".encode("UTF-16LE"),
      "\uFEFF#{table}".encode("UTF-16BE")
    ].each do |text|
      assert_equal [[[2, "/å", "/ø"]], []], read(text.b)
      Tempfile.create do |file|
        assert_equal [[[2, "/å", "/ø"]], []], read(file.tap { file.write(text.b) && file.rewind })
      end
    end
  end

  def test_a_line_without_end_is_passed_over_and_never_in_memory
    rows, bad =
      Tempfile.create do |file|
        file.write("from,to\n/a,/b\n")
        30.times { file.write("x" * 1_000_000) }
        file.write("\n/c,/d\n")
        read(file.tap(&:rewind))
      end
    assert_equal [[[2, "/a", "/b"], [4, "/c", "/d"]], [[3, "the line is longer than 1 MB"]]], [rows, bad]
  end

  def test_bytes_that_are_no_text_do_not_stop_the_rest
    assert_equal [[2, "/ÿ", "/b"], [3, "/c", "/d"]], read("from,to\n/\xFF,/b\n/c,/d\n".b).first
  end

  def test_quoted_cells_may_hold_delimiters_quotes_and_lines
    assert_equal [[[2, "/a,b", "say \"x\""], [3, "two\nlines", "/c"], [5, "/d", "/e"]], []],
      read("from,to\n\"/a,b\",\"say \"\"x\"\"\"\n\"two\nlines\",/c\n/d,/e\n")
  end

  def test_one_broken_line_costs_only_itself
    rows, bad = read("from,to\n/a,/b\n\"/x\" y,/z\n\n/c,/d\n")
    assert_equal [[2, "/a", "/b"], [5, "/c", "/d"]], rows
    assert_equal [3], bad.map(&:first)
  end

  def test_a_quote_that_is_never_closed_is_told_where_it_begins
    assert_equal [[3, "a quoted cell isn't closed"]], read("from,to\n/a,/b\n\"/c,/d\n/e,/f\n").last
  end

  def test_short_rows_have_empty_cells
    assert_equal [[2, "/a", ""]], read("from,to\n/a\n").first
  end

  def test_a_file_without_the_columns_is_refused_with_what_it_has
    error = assert_raises(IronTrellis::Core::Error::InvalidInput) { read("old,new\n/a,/b\n") }
    assert_equal "The first line must name the columns from, to; from and to can't be found in “old,new”.",
      error.message
    assert_raises(IronTrellis::Core::Error::InvalidInput) { read("") }
    assert_raises(IronTrellis::Core::Error::InvalidInput) { read("\"from,to\n") }
  end
end

# What spreadsheets and people do to a file must not cost the rest of it.
class StrayQuotesTest < Minitest::Test
  def read(text)
    rows = IronTrellis::Ports::Tables::CsvRows.new(text, %w[from to])
    [rows.to_enum(:each).map { |row, line| [row["from"], line] }, rows.bad.map(&:line)]
  end

  def test_a_stray_quote_costs_its_line_only
    good = (3..60_002).map { |number| "/#{number},/new\n" }.join
    rows, bad = read("from,to\n\"/stray,/x\n#{good}")
    assert_equal [60_000, ["/3", 3], [2]], [rows.size, rows.first, bad]
  end

  def test_two_stray_quotes_cost_two_lines
    assert_equal [[["/b", 3], ["/d", 5]], [2, 4]], read("from,to\n/a\",/x\n/b,/x\n/c\",/x\n/d,/x\n")
  end

  def test_a_cell_may_go_on_over_lines
    assert_equal [[["/a", 2], ["/b", 4]], []], read("from,to,note\n/a,/x,\"one\ntwo\"\n/b,/x,\n")
  end

  def test_what_a_spreadsheet_would_run_is_text_whichever_delimiter_it_takes
    line = IronTrellis::Ports::Tables::Formats::Csv.line(["=1+1", "a;=cmd|x", "plain", 7, nil, "say \"hi\""])
    assert_equal "'=1+1,\"a;=cmd|x\",plain,7,,\"say \"\"hi\"\"\"\r\n", line
    assert_equal [["'=1+1", "a;=cmd|x", "plain", "7", nil, "say \"hi\""]], CSV.parse(line)
  end
end

# Redirect maps as files.
class RouteFilesTest < Minitest::Test
  Ports = IronTrellis::Ports
  Route = IronTrellis::Core::Redirects::Route
  MAP = [
    Route.new(from: "http://a.test/old", to: "http://a.test/new", status: 301, kind: "exact", query: "match"),
    Route.new(from: "http://a.test/gone", to: nil, status: 410, kind: "exact", query: "drop"),
    Route.new(from: "http://a.test/x/*", to: "http://a.test/y/$1", status: 308, kind: "pattern", query: "keep")
  ].freeze

  def plain(routes) = routes.map { |route| route.to_h.except(:line) }

  def test_what_is_written_as_csv_and_json_is_read_back_the_same
    %w[csv json].each do |format|
      routes, bad = Ports::Redirects.reader(format).read(Ports::Redirects.writer(format).write(MAP))
      assert_equal [plain(MAP), []], [plain(routes), bad], format
    end
  end

  def test_entries_of_json_that_cannot_be_used_are_told_by_number
    routes, bad =
      Ports::Redirects.reader("json").read(
        '[{"from": "/a", "to": "/b", "status": 301}, {"to": "/c"}, 7, {"from": "/d", "status": "gone"}]'
      )
    assert_equal [["/a", 301], %w[/d gone]],
      routes.map { |route| [route.from, route.status] },
      "an unknown status is told when the map is checked"
    assert_equal [2, 3], bad.map(&:line)
  end

  def test_a_scheme_that_is_all_that_differs_is_asked_for
    text =
      Ports::Redirects.writer("apache").write(
        [Route.new(from: "http://a.test/x", to: "https://a.test/x", status: 301, kind: "exact", query: "drop")]
      )
    assert_includes text, "RewriteCond %{REQUEST_SCHEME} =http\n"
    refute_includes Ports::Redirects.writer("apache").write(MAP), "REQUEST_SCHEME} ="
    text =
      Ports::Redirects.writer("nginx").write(
        [Route.new(from: "http://a.test/x", to: "https://a.test/x", status: 301, kind: "exact", query: "drop")]
      )
    assert_includes text, %(  "~^http://a\\\\.test/x$" "301 https://a.test/x";\n)
  end

  def test_formats_that_there_are_not_are_told
    assert_match(
      /apache, nginx, csv, json/,
      assert_raises(IronTrellis::Core::Error::InvalidInput) { Ports::Redirects.writer("lighttpd") }.message
    )
    assert_match(
      /csv, json/,
      assert_raises(IronTrellis::Core::Error::InvalidInput) { Ports::Redirects.reader("apache") }.message
    )
  end
end
