# frozen_string_literal: true

require_relative "../test_helper"

# Files of any size, packed and not, are read a piece at a time.
class SitemapStreamTest < Minitest::Test
  Sitemaps = IronTrellis::Core::Sitemaps
  PIECE = Sitemaps::Stream::PIECE

  def stream(bytes, **options) = Sitemaps::Stream.new(StringIO.new(bytes), **options)

  def whole(stream) = [].tap { |pieces| while (piece = stream.read) do pieces << piece end }.join

  def test_bytes_come_whole_packed_or_not_and_in_several_members
    bytes = Random.new(4).bytes(3 * PIECE + 17)
    [bytes, Zlib.gzip(bytes), Zlib.gzip(bytes.byteslice(0, 1000)) + Zlib.gzip(bytes.byteslice(1000..))].each do |given|
      stream = stream(given)
      assert stream.head.start_with?(bytes.byteslice(0, 100))
      assert_equal [bytes, bytes.bytesize, nil], [whole(stream), stream.bytes, stream.ended]
    end
  end

  def test_no_more_is_read_than_the_limit_however_much_a_small_file_would_grow_to
    bomb = Zlib.gzip("0" * 20_000_000)
    assert_operator bomb.bytesize, :<, 40_000
    stream = stream(bomb, limit: 100_000)
    assert_equal [100_000, :cut], [whole(stream).bytesize, stream.ended]
  end

  def test_what_breaks_off_is_told_apart_from_what_ends
    stream = stream(Zlib.gzip(Random.new(4).bytes(200_000)).byteslice(0, 100_000))
    assert_operator whole(stream).bytesize, :<, 200_000
    assert_equal :broken, stream.ended
  end

  def test_lines_go_on_over_pieces
    lines = (1..9000).map { |number| "http://a.test/#{number}\n" } << "http://a.test/last"
    found = []
    stream(lines.join).each_line { |line| found << line }
    assert_equal lines, found
  end

  def test_a_packed_sitemap_that_breaks_off_gives_what_could_be_read
    entries =
      Random
        .new(4)
        .bytes(400_000)
        .unpack1("H*")
        .scan(/.{20}/)
        .map { |name| "<url><loc>http://a.test/#{name}</loc></url>" }
    packed = Zlib.gzip("<urlset xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\">#{entries.join}</urlset>")
    result =
      Sitemaps::Reader.new(IronTrellis::Core::Url::NormalForm.parse("http://a.test/"), now: Time.utc(2026)).call(
        packed.byteslice(0, packed.bytesize / 2)
      )
    assert_equal [[nil, "it breaks off and can't be unpacked to its end"]],
      result.flaws.map { |flaw| [flaw.line, flaw.about] }
    assert_includes 5_000..entries.size, result.entries.size
  end
end
