# frozen_string_literal: true

require_relative "../test_helper"

# Sources: npm's whatwg-encoding for the labels of the WHATWG Encoding standard, and Chromium's TextDecoder for what
# each encoding says.
class EncodingsTest < Minitest::Test
  Charset = IronTrellis::Core::Page::Charset
  Labels = IronTrellis::Core::Page::EncodingLabels

  TABLE =
    JSON.parse(
      File.read(File.join(IronTrellis::ROOT, "web/node_modules/whatwg-encoding/lib/labels-to-names.json"))
    ).freeze
  # Encodings that Ruby doesn't have; x-user-defined means windows-1252 in a meta element and nothing in a header.
  WITHOUT = %w[windows-1258 x-user-defined].freeze
  # Where Ruby's table differs from the standard's.
  OTHERWISE = {"KOI8-U" => %w[ae be], "macRoman" => %w[bd db f0], "macCyrillic" => %w[a2 b6 ff]}.freeze
  DECODE =
    "return arguments[1].map(hex => new TextDecoder(arguments[0]).decode(new Uint8Array(hex.match(/../g).map(pair => " \
    "parseInt(pair, 16)))))"

  SAMPLES = {
    "shift_jis" => "灯台のランプと霧笛",
    "euc-jp" => "灯台のランプと霧笛",
    "iso-2022-jp" => "灯台のランプと霧笛",
    "gb18030" => "灯塔的灯和雾号€𠀀",
    "gbk" => "灯塔的灯和雾号",
    "big5" => "燈塔的燈和霧號",
    "euc-kr" => "등대의 램프와 무적",
    "utf-16le" => "灯台 æøå 𠀀",
    "utf-16be" => "灯台 æøå 𠀀",
    "utf-8" => "灯台 æøå 𠀀"
  }.freeze

  def test_every_label_of_the_standard_is_known_and_equal_labels_stay_equal
    groups =
      TABLE
        .reject { |_, name| WITHOUT.include?(name) }
        .group_by(&:last)
        .transform_values { |pairs| pairs.map { |label, _| Labels.find(label) }.uniq }

    assert_equal [], groups.reject { |_, ours| ours.size == 1 && ours.first }.to_a
    WITHOUT.each { |name| assert_nil Labels.find(name) }
    assert_equal Labels.find("GB2312"), Labels.find(" gb2312\t"), "case and spaces around don't count"
  end

  def test_every_byte_of_the_single_byte_encodings_says_what_it_says_in_chromium
    bytes = (0..255).map { |byte| format("%02x", byte) }
    singles =
      Labels::NAMES.invert.except(
        "UTF-8",
        "UTF-16LE",
        "UTF-16BE",
        "Windows-31J",
        "eucJP-ms",
        "CP949",
        "GB18030",
        "Big5-HKSCS",
        "ISO-2022-JP"
      )
    assert_operator singles.size, :>=, 25
    singles.each do |name, label|
      different = bytes.zip(chromium(label, bytes)).reject { |hex, theirs| ours(label, hex) == theirs }.map(&:first)
      assert_equal OTHERWISE.fetch(name, []), different, name
    end
  end

  def test_texts_in_the_others_say_what_they_say_in_chromium
    SAMPLES.each do |label, text|
      hex = text.encode(Labels.find(label)).unpack1("H*")
      assert_equal [text], chromium(label, [hex]), label
      assert_equal text, ours(label, hex), label
    end
  end

  def self.browser
    @browser ||= Chromium.session(resolve: {}).tap { |session| Minitest.after_run { session.quit } }.driver.browser
  end

  private

  def ours(label, hex) = Charset.decode([hex].pack("H*"), label).first

  def chromium(label, hexes) = self.class.browser.execute_script(DECODE, label, hexes)
end
