# frozen_string_literal: true

require_relative "../test_helper"
require "zlib"

# Files, logs and answers come as they come: whatever the bytes, each reader gives text, tells what it can't use, and
# ends.
class BrokenBytesTest < Minitest::Test
  Ports = IronTrellis::Ports
  Core = IronTrellis::Core

  # The kinds of bytes that UTF-8 doesn't have (Unicode 15, section 3.9, table 3-7), and what else breaks readers.
  ODD = {
    "a letter of windows-1252" => "\xE9", "a trailing byte alone" => "\x80", "bytes that are never there" => "\xFF\xFE",
    "an overlong slash" => "\xC0\xAF", "half a surrogate pair" => "\xED\xA0\x80",
    "beyond the last character" => "\xF4\x90\x80\x80", "a character cut off" => "\xE2\x82", "a nought" => "\0",
    "control signs" => "\x01\x1B[31m\x7F",
    "a lone carriage return" => "\r", "a mark in the middle" => "\xEF\xBB\xBF", "a letter of UTF-16" => "\xE9\0"
  }.transform_values(&:b).freeze

  ODD.each do |name, odd|
    define_method("test_tables_with_#{name.tr(" ", "_")}") { assert_tables_are_read(odd) }

    define_method("test_redirect_maps_and_sets_with_#{name.tr(" ", "_")}") do
      routes, bad = Ports::Redirects::Maps::Csv.read("from,to,status\n/a#{odd},/b,301\n/c,/d,301\n".b)
      assert_equal 2, routes.size + bad.size, bad
      assert_includes routes.map(&:to), "/d"
      sets, bad = Ports::Languages::CsvSets.read("url,hreflang,target\nhttp://a.test/#{odd},en,http://a.test/b\n".b)
      assert_equal 1, sets.size + bad.size
      assert_all_text(routes.map(&:from) + sets.map(&:url) + bad.map(&:why))
    end

    define_method("test_logs_with_#{name.tr(" ", "_")}") do
      line = "192.0.2.1 - - [28/Nov/2026:10:00:00 +0000] \"GET /a#{odd}b HTTP/1.1\" 200 5 \"-\" \"examplebot #{odd}\""
      read = lines("#{line}\n#{odd}\n#{line.b.gsub(odd, "x" * odd.size)}\n".b)
      assert_includes read.map(&:first), "/a#{"x" * odd.size}b"
      assert_all_text(read.flatten.compact)
      assert_equal read, lines(Zlib.gzip("#{line}\n#{odd}\n#{line.b.gsub(odd, "x" * odd.size)}\n".b))
    end

    define_method("test_robots_headers_and_addresses_with_#{name.tr(" ", "_")}") do
      text = Core::Url::Percent.of_bytes("User-agent: *\nDisallow: /a#{odd}\n#{odd}\nDisallow: /b\n".b).delete("\0")
      policy = Core::Robots::Policy.from_answer(status: 200, text: text, agent: "x")
      refute_predicate policy.decide(Core::Url::NormalForm.parse("http://a.test/b")), :allowed?
      guard = IronTrellis::Fetch::Http::Guard.new(seconds: 9, first_byte_seconds: 9)
      ["X-Name: caf#{odd}", "Location: /caf#{odd}"].each { |written| guard.note("#{written}\r\n".b) }
      assert_all_text(guard.header_lines)
      assert_operator guard.header_lines.size, :>=, 2
    end
  end

  # Source: RFC 9309 section 2.2.2, octets are compared percent-encoded.
  def test_an_octet_in_a_rule_is_its_percent_encoding
    text = Core::Url::Percent.of_bytes("User-agent: *\nDisallow: /caf\xE9\n".b)
    policy = Core::Robots::Policy.from_answer(status: 200, text: text, agent: "x")
    allowed = ->(path) { policy.decide(Core::Url::NormalForm.parse("http://a.test#{path}")).allowed? }
    assert_equal [false, false, true], [allowed.call("/caf%E9"), allowed.call("/caf%e9/x"), allowed.call("/caf%C3%A9")]
  end

  # Source: Apache's mod_log_config writes other bytes as \xhh; both ways of writing are one address.
  def test_a_byte_of_a_log_is_read_as_if_it_had_been_written_in_signs
    line = "192.0.2.1 - - [28/Nov/2026:10:00:00 +0000] \"GET /caf%s HTTP/1.1\" 200 5".b
    raw, written = ["\xE9".b, '\xe9'].map { |byte| lines(format(line, byte)).first.first }
    assert_equal ["/caf%E9", "/caf%E9"], [raw, written]
  end

  private

  def assert_tables_are_read(odd)
    bytes = "url;name\nhttp://a.test/#{odd};caf#{odd}\nhttp://a.test/2;\"x#{odd}y\"\nhttp://a.test/3;\"open#{odd}\n".b
    rows = []
    file = Ports::Tables::DelimitedFile.new(StringIO.new(bytes))
    file.each { |cells, line, why| rows << [cells, line, why] }
    assert_equal %w[url name], file.headings
    assert_includes rows.filter_map { |cells, _| cells&.first }, "http://a.test/2"
    assert_all_text(rows.flatten.grep(String))
    Tempfile.create("table", binmode: true) do |whole|
      whole.write("PK\x03\x04".b + bytes)
      whole.flush
      assert_raises(Core::Error::InvalidInput) do
        Ports::Tables::UploadedTable.open(whole.path) { |table| table.each {} }
      end
    end
  end

  # @return [Array(String, String)] target and agent of each line that can be read, or why it can't be
  def lines(bytes)
    read = []
    Tempfile.create("log", binmode: true) do |file|
      file.write(bytes)
      file.flush
      Ports::Logs::Lines.each(file.path, 64_000) { |text, _| read << line(text) }
    end
    read
  end

  def line(text)
    line = Core::Evidence::LogLine.new(Core::Evidence::LogLine.readable(text))
    [line.target, line.agent]
  rescue Core::Evidence::LogLine::Unreadable => error
    [error.message, nil]
  end

  def assert_all_text(texts)
    assert_predicate texts, :any?
    assert_empty(texts.reject { |text| text.encoding == Encoding::UTF_8 && text.valid_encoding? })
  end
end
