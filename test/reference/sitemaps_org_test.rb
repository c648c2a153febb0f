# frozen_string_literal: true

require_relative "../test_helper"
require "rexml/document"

# Against the sitemaps.org protocol 0.9: its published examples are read without a flaw, its limits are kept, and what
# we write is read back the same by another XML parser (REXML).
class SitemapsOrgTest < Minitest::Test
  Sitemaps = IronTrellis::Core::Sitemaps

  # "XML Sitemap Format" and "Using Sitemap index files" of sitemaps.org/protocol.html, written down from memory.
  SAMPLE = <<~XML
    <?xml version="1.0" encoding="UTF-8"?>
    <urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">
       <url>
          <loc>http://www.example.com/</loc>
          <lastmod>2005-01-01</lastmod>
          <changefreq>monthly</changefreq>
          <priority>0.8</priority>
       </url>
       <url>
          <loc>http://www.example.com/catalog?item=12&amp;desc=vacation_hawaii</loc>
          <changefreq>weekly</changefreq>
       </url>
       <url>
          <loc>http://www.example.com/catalog?item=73&amp;desc=vacation_new_zealand</loc>
          <lastmod>2004-12-23</lastmod>
          <changefreq>weekly</changefreq>
       </url>
       <url>
          <loc>http://www.example.com/catalog?item=74&amp;desc=vacation_newfoundland</loc>
          <lastmod>2004-12-23T18:00:15+00:00</lastmod>
          <priority>0.3</priority>
       </url>
       <url>
          <loc>http://www.example.com/catalog?item=83&amp;desc=vacation_usa</loc>
          <lastmod>2004-11-23</lastmod>
       </url>
    </urlset>
  XML
  INDEX = <<~XML
    <?xml version="1.0" encoding="UTF-8"?>
    <sitemapindex xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">
       <sitemap>
          <loc>http://www.example.com/sitemap1.xml.gz</loc>
          <lastmod>2004-10-01T18:23:17+00:00</lastmod>
       </sitemap>
       <sitemap>
          <loc>http://www.example.com/sitemap2.xml.gz</loc>
          <lastmod>2005-01-01</lastmod>
       </sitemap>
    </sitemapindex>
  XML
  # "Entity escaping": the characters and what they become.
  ENTITIES = {"&" => "&amp;", "'" => "&apos;", '"' => "&quot;", ">" => "&gt;", "<" => "&lt;"}.freeze

  def read(bytes) =
    Sitemaps::Reader.new(
      IronTrellis::Core::Url::NormalForm.parse("http://www.example.com/sitemap.xml"),
      now: Time.utc(2026)
    ).call(bytes)

  def write(listings, **options)
    files = {}
    writer =
      Sitemaps::Writer.new("http://www.example.com/", **options) do |name|
        StringIO.new.tap { |io| io.define_singleton_method(:close) { files[name] = string } }
      end
    listings.each { |listing| writer.add(listing) }
    [writer.finish, files]
  end

  def test_the_published_examples_have_no_flaws
    assert_equal ["urlset", 5, []], read(SAMPLE).then { |file| [file.kind, file.count, file.flaws] }
    assert_equal ["index", %w[http://www.example.com/sitemap1.xml.gz http://www.example.com/sitemap2.xml.gz], []],
      read(INDEX).then { |file| [file.kind, file.sitemaps, file.flaws] }
  end

  def test_characters_are_escaped_as_published
    ENTITIES.each { |sign, entity| assert_equal entity, Sitemaps::Xml.escape(sign) }
  end

  def test_the_published_limits_are_kept_to_the_entry
    files, = write((1..50_001).lazy.map { |number| Sitemaps::Listing.new(url: "http://www.example.com/#{number}") })
    assert_equal [50_000, 1], files.first(2).map(&:urls)
    assert_equal [50_000, 52_428_800], [Sitemaps::Checks::MOST_ENTRIES, Sitemaps::Checks::MOST_BYTES]
  end

  def test_another_parser_reads_back_what_was_written
    random = Random.new(11)
    signs = [*"a".."z", "&", "<", ">", "'", '"', "é", "灯", "\u{1F3EE}", " ", "]]>", "\u0007"]
    listings = Array.new(300) do |number|
      Sitemaps::Listing.new(
        url: "http://www.example.com/#{number}?#{Array.new(8) { signs.sample(random: random) }.join.delete("\u0007")}",
        lastmod: number.odd? ? Time.at(1_700_000_000 + number) : nil,
        video: {
          "thumbnail_loc" => "http://www.example.com/t",
          "title" => Array.new(12) { signs.sample(random: random) }.join,
          "description" => "d",
          "content_loc" => "http://www.example.com/v"
        }
      )
    end
    document = REXML::Document.new(write(listings)[1].fetch("sitemap-pages-1.xml"))
    found =
      document
        .root
        .get_elements("url")
        .map do |url|
          [url.elements["loc"].text, url.elements["lastmod"]&.text, url.elements["video:video/video:title"].text]
        end
    assert_equal listings.map { |one| [one.url, one.lastmod&.utc&.iso8601, one.video["title"].delete("\u0007")] }, found
  end
end
