# frozen_string_literal: true

require_relative "../test_helper"
require "csv"

# Tables that another library writes, globs as the standard library matches them, calendars counted day by day: what is
# made up is always the same.
class TablesAndPatternsTest < Minitest::Test
  Core = IronTrellis::Core
  Tables = IronTrellis::Ports::Tables
  # What cells hold in the worst of files that are still right by RFC 4180.
  CELLS = [
    "", "plain", "with space ", "a,b;c\td|e", "say \"x\"", "\"", "two\nlines", "three\r\nlines\n", "Möwe 燈 \u{1F6A2}",
    "=1+1", "'", ",", "0.50", "\\", " "
  ].freeze

  def table(chance, rows)
    Array.new(rows) do
      ["r#{chance.rand(99)}", *Array.new(3) { CELLS[chance.rand(CELLS.size)] }]
    end
  end

  def read(bytes)
    file = Tables::DelimitedFile.new(StringIO.new(bytes))
    rows = []
    file.each { |cells, number, why| rows << [cells, number, why] }
    [file.headings, rows]
  end

  # Source: RFC 4180, as the csv library of Ruby writes it, with the delimiters of spreadsheet programs (common
  # practice).
  def test_tables_of_another_library_come_back_cell_by_cell
    chance = Random.new(4180)
    Tables::DelimitedFile::DELIMITERS.product(["\n", "\r\n"]).each do |delimiter, ending|
      made = table(chance, 60)
      options = {col_sep: delimiter, row_sep: ending}
      bytes = CSV.generate(**options) { |csv| [%w[name a b c], *made].each { |row| csv << row } }
      ["", "\uFEFF"].each do |mark|
        headings, rows = read("#{mark}#{bytes}".b)
        assert_equal %w[name a b c], headings
        assert_equal made, rows.map { |cells, _, _| cells.map(&:to_s) }, [delimiter, ending]
        assert_empty rows.filter_map(&:last)
      end
      ["UTF-16LE", "UTF-16BE"].each do |encoding|
        assert_equal made, read("\uFEFF#{bytes}".encode(encoding).b).last.map { |cells, _, _| cells.map(&:to_s) }
      end
    end
  end

  def test_rows_are_told_by_the_line_on_which_they_begin
    written = table(Random.new(5), 80).map { |row| CSV.generate_line(row) }
    begins = written.each_index.map { |at| 2 + written.first(at).sum { |text| text.count("\n") } }
    assert_equal begins, read("name,a,b,c\n#{written.join}".b).last.map { |_, number, _| number }
  end

  # Source: POSIX fnmatch, in which a star stands for anything; here without its other signs.
  def test_globs_are_those_of_the_standard_library
    chance = Random.new(9)
    pieces = %w[* / a lamps .html p1 - ?x=1 * http://a.test http://www.b.test/ é]
    urls = Array.new(60) do
      "http://#{%w[a.test www.b.test][chance.rand(2)]}/" + Array.new(chance.rand(4)) {
        %w[a lamps p1/ x.html lamps/ - é].sample(random: chance)
      }.join
    end
    tried = Array.new(300) { "*#{Array.new(1 + chance.rand(4)) { pieces.sample(random: chance) }.join}*".squeeze("*") }
    found = tried.uniq.sum do |glob|
      pattern = Core::Url::Pattern.new(glob)
      plain = glob.gsub("?", "\\?")
      urls.each { |url| assert_equal File.fnmatch?(plain, url), pattern.match?(url), "#{glob} on #{url}" }
      urls.count { |url| pattern.match?(url) }
    end
    assert_operator found, :>, 300, "many match"
  end

  def test_a_short_form_is_what_it_is_said_to_mean
    urls = %w[http://a.test/ http://a.test/tags/ http://a.test/tags/x http://a.test/x/tags/ http://b.test/tags/x
      http://a.test/lamps?sort=price https://a.test/tags]
    ["/tags/", "/tags/*", "*/tags/*", "a.test/tags/*", "?sort=", "http://a.test/*", "/lamps", "tags"].each do |source|
      pattern = Core::Url::Pattern.new(source)
      meant = pattern.meaning
      meant = "http*://*#{meant}" if meant.start_with?("/")
      meant = "http*://#{meant}" if meant.start_with?("a.test")
      urls.each do |url|
        wished = File.fnmatch?(meant.gsub("?", "\\?"), url)
        # A path stands right behind the host.
        path = url.sub(%r{\Ahttps?://[^/]+}, "")
        wished &&= path.start_with?(pattern.meaning[%r{\A/[^*]*}]) if source.start_with?("/")
        assert_equal wished, pattern.match?(url), "#{source} on #{url}"
      end
    end
  end

  # Working hours of a year, counted day by day in a calendar that is written out here.
  def test_working_hours_are_those_of_counting_days
    start = Date.new(2027, 1, 4)
    off = [Date.new(2027, 1, 6), Date.new(2027, 12, 24)]
    freeze = Date.new(2027, 3, 29)..Date.new(2027, 4, 5)
    time = Core::Workplan::WorkingTime.new(
      name: "Ada", start: start, hours_per_day: 6, days: %w[mon tue thu], off: off, freezes: [freeze]
    )
    worked = 0
    (0...365).each do |day|
      date = start + day
      assert_equal worked.to_f, time.before(day), date
      works = [1, 2, 4].include?(date.wday) && !off.include?(date) && !freeze.cover?(date)
      assert_equal works, time.works?(day), date
      next unless works

      assert_equal date, time.start_date(worked), "what begins after so many hours begins on it"
      assert_equal date, time.finish_date(worked + 6)
      assert_equal day * 24 + 2.0, time.moment(worked + 2.0)
      assert_equal worked + 2.0, time.after(day * 24 + 2.0)
      worked += 6
    end
  end
end
