# frozen_string_literal: true

require_relative "../test_helper"

# What people bring: lines of logs, headings and cells of tables, and what is told by them.
class EvidenceReadingsTest < Minitest::Test
  Evidence = IronTrellis::Core::Evidence
  Line = Evidence::LogLine
  Cells = Evidence::Cells

  # Source: Apache HTTP Server, "Log Files", the examples of both formats.
  COMMON = '127.0.0.1 - frank [10/Oct/2000:13:55:36 -0700] "GET /apache_pb.gif HTTP/1.0" 200 2326'
  COMBINED = %(#{COMMON} "http://www.example.com/start.html" "Mozilla/4.08 [en] (Win98; I ;Nav)")

  def test_the_examples_of_both_formats
    [COMMON, COMBINED].each do |text|
      line = Line.new(text)
      assert_equal ["127.0.0.1", "/apache_pb.gif", 200], [line.peer, line.target, line.status]
      assert_equal Time.utc(2000, 10, 10, 20, 55, 36), line.time.utc
    end
    assert_equal [nil, "Mozilla/4.08 [en] (Win98; I ;Nav)"], [COMMON, COMBINED].map { |text| Line.new(text).agent }
  end

  # Source: mod_log_config, "Format Notes": quotes, backslashes and control characters are escaped, other bytes as \xhh.
  def test_what_is_escaped_is_read_as_it_was_sent
    log = ->(request, agent) { Line.new(%(1.2.3.4 - - [10/Oct/2000:13:55:36 +0000] "#{request}" 200 - "-" "#{agent}")) }
    assert_equal 'a "b" \\', log.call("GET / HTTP/1.1", 'a \"b\" \\\\').agent
    assert_equal "/m\u00F6we", log.call('GET /m\xc3\xb6we HTTP/1.1', "x").target
    assert_equal "a\tb", log.call("GET / HTTP/1.1", 'a\tb').agent
    assert_equal "/x", log.call("GET /x", "-").target, "HTTP/0.9 names no version"
  end

  def test_lines_that_are_none_say_why
    stamp = "[10/Oct/2000:13:55:36 +0000]"
    {
      "" => "Combined Log Format",
      %(1.2.3.4 - - #{stamp} "GET / HTTP/1.1" abc 5) => "Combined Log Format",
      %(1.2.3.4 - - #{stamp} "-" 408 -) => "its request can't be read",
      %(1.2.3.4 - - #{stamp} "\\x16\\x03\\x01" 400 226) => "its request can't be read"
    }.each { |text, why| assert_includes assert_raises(Line::Unreadable) { Line.new(text) }.message, why }
    ["10/Okt/2000:13:55:36 +0000", "32/Oct/2000:13:55:36 +0000", "10/Oct/2000:25:55:36 +0000", "today"].each do |time|
      line = Line.new(%(1.2.3.4 - - [#{time}] "GET / HTTP/1.1" 200 5))
      assert_includes assert_raises(Line::Unreadable) { line.time }.message, "its time can't be read", time
    end
  end

  def test_crawlers_are_known_by_name_or_by_how_they_call_themselves
    agent = ->(name, named = []) { Line.new(COMMON + %( "-" "#{name}")).crawler(named) }
    assert_equal "Lampbot", agent.call("Mozilla/5.0 (compatible; Lampbot/2.1; +http://a.test/)")
    assert_equal "site-spider", agent.call("site-spider/0.1")
    assert_equal "Lantern", agent.call("The Lantern reader; Lampbot/1", ["lantern"])
    assert_nil agent.call("Mozilla/5.0 (X11; Linux)")
    assert_nil Line.new(COMMON).crawler([])
  end

  def test_cells_of_any_country
    {"0" => 0, "1234" => 1234, "1.234" => 1234, "1,234,567" => 1_234_567, "1'234" => 1234, "1\u202F234" => 1234}
      .each { |text, number| assert_equal number, Cells.count(text), text }
    ["", "1.23", "12.34", "-1", "1,2345", "1e3", "9" * 30, "٣"].each do |text|
      assert_raises(Cells::Unreadable, text) { Cells.count(text) }
    end
    {"3.4" => 3.4, "3,4" => 3.4, "12" => 12.0, "1,234.5" => 1234.5, "0" => nil, "" => nil}
      .each { |text, place| assert_equal [place], [Cells.position(text)], text }
    ["-1", "first", "1.", ".5"].each { |text| assert_raises(Cells::Unreadable, text) { Cells.position(text) } }
  end

  # Source: ISO 8601-1 and RFC 3339 section 5.6 for those with a T; the others are what tables hold (common practice).
  def test_dates_of_any_country
    day = Date.new(2027, 2, 3)
    ["2027-02-03", "2027/2/3", "20270203", "2027-02-03T10:00:00Z", "2027-02-03 10:00:00+01:00", "3.2.2027",
      "03. 02. 2027 10:15", "3/2/2027", "03-02-2027"].each { |text| assert_equal day, Cells.date(text), text }
    assert_equal day, Cells.date("2/3/2027", order: "mdy")
    ["2027-02-30", "2027-13-01", "3/13/2027", "yesterday", "", "2027"].each do |text|
      assert_raises(Cells::Unreadable, text) { Cells.date(text) }
    end
  end

  def kind(code) = Evidence::Registry.fetch(code)

  def test_fields_are_found_by_our_names_or_by_those_that_were_given
    found = Evidence::Headings.new(kind("pages"), ["Page ", " CLICKS", "Impressions", "", "Note"], {"url" => "page"})
    assert_equal({"url" => 0, "clicks" => 1, "impressions" => 2}, found.places)
    assert_equal({"Note" => 4}, found.others)
  end

  def test_a_file_without_what_is_needed_is_told_what_it_has_and_what_is_wanted
    error = assert_raises(Evidence::Headings::Unknown) do
      Evidence::Headings.new(kind("pages"), %w[Seite Klicks], {"clicks" => "Klicks"})
    end
    assert_match(/url and impressions can't be found. The file has “Seite”, “Klicks”/, error.message)
  end

  def row(cells, words: {}, code: "pages", headings: %w[url clicks impressions position date])
    places = headings.each_with_index.to_h
    Evidence::Row.new(kind(code), places, words: words).read(cells)
  end

  def test_a_row_is_read_with_its_address_in_normal_form
    read = row(["HTTP://A.test:80/%7Ex", "1.234", "5 000", "3,4", "3.2.2027"])
    assert_equal ["http://a.test/~x", "HTTP://A.test:80/%7Ex"], [read.url, read.spelled]
    assert_equal [1234, 5000, 3.4, Date.new(2027, 2, 3)],
      read.values.values_at("clicks", "impressions", "position", "date")
  end

  def test_why_a_row_is_not_kept
    {
      ["", "1", "2", "", ""] => "“url” is empty",
      ["/lamps", "1", "2", "", ""] => "“url” is no web address: “/lamps”",
      ["http://a.test/", "x", "2", "", ""] => "“x” is no number",
      ["http://a.test/", "1", nil, "", ""] => "“impressions” is empty",
      ["http://a.test/", "1", "2", "", "soon"] => "“soon” is no date"
    }.each { |cells, why| assert_equal why, assert_raises(Evidence::Row::Wrong) { row(cells) }.message }
  end

  # Days of useless pages in the index by group.
  def days(*groups) = groups.each_with_index.map { |some, at| [Date.new(2027, 1, 1) + at, some] }

  def test_growth_is_told_since_its_last_lowest_day_with_the_group_that_grew_most
    told = Evidence::Growth.of(days({"a" => 50}, {"a" => 40, "b" => 5}, {"a" => 42, "b" => 30}, {"a" => 43, "b" => 60}))
    assert_equal [Date.new(2027, 1, 3), 45, 103, "b", 55], told.to_h.values
  end

  def test_little_growth_or_none_is_not_told
    [
      [{"a" => 5}],
      [{"a" => 5}, {"a" => 14}],
      [{"a" => 1000}, {"a" => 1099}],
      [{"a" => 90}, {"a" => 40}]
    ].each { |some| assert_nil Evidence::Growth.of(days(*some)), some }
    assert Evidence::Growth.of(days({"a" => 5}, {"a" => 15}))
  end

  def test_texts_differ_word_by_word_and_come_back_whole
    stored, now = "The lamp is lit by oil at dusk", "The lamp was lit at dusk and at dawn"
    parts = Evidence::TextDifference.of(stored, now)
    said = ->(who) { parts.filter_map { |by, words| words if [who, "both"].include?(by) }.join(" ") }
    assert_equal [stored, now], [said.call("stored"), said.call("now")]
    assert_equal [["both", "same"]], Evidence::TextDifference.of("same", "same")
    assert_equal [["now", "all new"]], Evidence::TextDifference.of("", "all new")
    assert_empty Evidence::TextDifference.of("", "")
  end

  def test_what_an_heir_took_over
    heir = ->(had, beside, now) do
      Evidence::Heir.new(before: {"clicks" => had}, beside: {"clicks" => beside}, now: {"clicks" => now}).share
    end
    assert_equal [1.0, 0.0, 0.0, 1.5, nil],
      [heir.call(40, 5, 45), heir.call(40, 5, 5), heir.call(40, 5, 2), heir.call(40, 0, 60), heir.call(0, 5, 9)]
  end

  def test_why_an_address_is_one_that_a_site_brings_forth_by_the_way
    of = ->(url, type = nil, bare: false) { IronTrellis::Core::Triage::ByProduct.of(url, type, bare_known: bare) }
    {
      "http://a.test/blog/feed/" => "a feed",
      "http://a.test/Search/lamps" => "a search page",
      "http://a.test/lamps/page/3/" => "a later page of a list",
      "http://a.test/lamps?PAGE=2" => "a later page of a list",
      "http://a.test/x?q" => "a search page"
    }.each { |url, what| assert_equal what, of.call(url), url }
    assert_nil of.call("http://a.test/feeding-birds/"), "a word of its name is no segment"
    assert_nil of.call("http://a.test/lamps/page/"), "a page about pages"
    assert_equal "a feed", of.call("http://a.test/x", "application/RSS+xml; charset=utf-8")
    assert_equal "an embedded file", of.call("http://a.test/x", "image/png")
    assert_nil of.call("http://a.test/x?colour=red")
    assert_equal "an address with parameters of a page that has none", of.call("http://a.test/x?colour=red", bare: true)
  end
end
