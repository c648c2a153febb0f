# frozen_string_literal: true

require_relative "../test_helper"

class DecodingTest < Minitest::Test
  Decoding = IronTrellis::Fetch::Http::Decoding
  FetchError = IronTrellis::Fetch::Http::FetchError

  TEXT = "Harbour lamps, æ ø å. " * 3000
  CODINGS = {
    nil => TEXT,
    "identity" => TEXT,
    "gzip" => Zlib.gzip(TEXT),
    "x-gzip" => Zlib.gzip(TEXT),
    "GZIP " => Zlib.gzip(TEXT),
    "deflate" => Zlib::Deflate.deflate(TEXT),
    "br" => Brotli.deflate(TEXT)
  }.freeze

  def decode(coding, bytes, limit: 1_000_000, piece: 1000)
    decoding = Decoding.new(coding, limit)
    0.step(bytes.bytesize - 1, piece) { |from| decoding << bytes.byteslice(from, piece) }
    decoding
  end

  CODINGS.each do |coding, bytes|
    define_method("test_#{coding.inspect}_is_undone_however_it_is_cut") do
      [1, 7, 1000, bytes.bytesize].each do |piece|
        whole = decode(coding, bytes, piece: piece)
        assert_equal TEXT.b, whole.body.b
        assert whole.whole?
      end
    end
  end

  def test_raw_deflate_is_undone_too
    assert_equal TEXT.b, decode("deflate", Zlib::Deflate.new(nil, -15).deflate(TEXT, Zlib::FINISH)).body.b
  end

  def test_a_body_that_breaks_off_is_not_whole
    %w[gzip br].each { |coding| refute decode(coding, CODINGS[coding][0..-20]).whole?, coding }
  end

  def test_no_body_at_all_is_whole
    ["gzip", "br", nil].each { |coding| assert Decoding.new(coding, 10).whole?, coding }
  end

  def test_bombs_stop_at_the_limit
    zeros = "\0" * 30_000_000
    {"gzip" => Zlib.gzip(zeros), "br" => Brotli.deflate(zeros)}.each do |coding, bomb|
      decoding = Decoding.new(coding, 100_000)
      error = assert_raises(FetchError) { decoding << bomb }
      assert_equal "too_large", error.kind
      assert_operator decoding.body.bytesize, :<=, 100_000
    end
  end

  def test_what_is_no_coding_is_told
    assert_raises(Zlib::Error) { decode("gzip", "plain text, no gzip") }
    assert_raises(Brotli::Error) { decode("br", "\xFF\xFE plain text, no brotli".b * 10) }
  end
end
