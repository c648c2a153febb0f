# frozen_string_literal: true

require_relative "../test_helper"

# Sitemap files that would hold a worker for minutes are read in bounded time and memory.
class HostileSitemapsTest < Minitest::Test
  Core = IronTrellis::Core
  HERE = Core::Url::NormalForm.parse("http://a.test/sitemap.txt")

  def read(source) =
    Core::Sitemaps::Reader.new(HERE, now: Time.utc(2026, 11, 28)).call(source) { |entry| (@entries ||= []) << entry }

  # Counts instead of keeping time: reading a line that grows would ask for all of it again and again.
  def test_a_line_without_an_end_is_held_up_to_a_length
    line =
      Core::Sitemaps::Stream
        .new(StringIO.new("http://a.test/#{"x" * 10_000_000}\nhttp://a.test/b\n"))
        .to_enum(:each_line)
        .to_a
    assert_equal [2, "http://a.test/b\n"], [line.size, line.last]
    assert_operator line.first.bytesize, :<, Core::Sitemaps::Stream::MOST_LINE + 2 * Core::Sitemaps::Stream::PIECE
  end

  def test_lines_are_the_same_whatever_the_pieces
    text = Array.new(20_000) { |number| "http://a.test/#{number}\n" }.join
    assert_equal text.lines, Core::Sitemaps::Stream.new(StringIO.new(text)).to_enum(:each_line).to_a
  end

  def test_soon_after_fifty_thousand_entries_the_rest_is_left
    {
      text: "http://a.test/x\n" * 500_000,
      xml:
        "<urlset xmlns='http://www.sitemaps.org/schemas/sitemap/0.9'>" \
        "#{"<url><loc>http://a.test/x</loc></url>" * 500_000}</urlset>"
    }.each do |form, source|
      result = read(source)
      assert_equal Core::Sitemaps::Reader::ENOUGH_ENTRIES, result.count, form
      assert_includes result.flaws.map(&:code), "sitemap-too-many"
      refute_includes result.flaws.map(&:code), "sitemap-malformed"
      assert_operator result.bytes, :<, source.bytesize / 2
    end
  end

  def test_folders_of_hosts_lead_nowhere_else
    assert_equal %w[__ ___evil a.test_80 ___x],
      %w[http://.. http://../evil http://a.test:80 https://../x].map { |origin|
        Core::Sitemaps::Folder.of(origin)
      }
  end
end
