# frozen_string_literal: true

require_relative "../test_helper"

# Sitemap files written entry by entry.
class SitemapWriterTest < Minitest::Test
  Sitemaps = IronTrellis::Core::Sitemaps

  def setup
    @files = {}
  end

  def writer(**options)
    Sitemaps::Writer.new("http://a.test/", **options) do |name|
      io = StringIO.new
      io.define_singleton_method(:close) { nil }
      @files[name] = io
    end
  end

  def listing(path, **more) = Sitemaps::Listing.new(url: "http://a.test#{path}", **more)

  def read(name)
    url = IronTrellis::Core::Url::NormalForm.parse("http://a.test/#{name}")
    Sitemaps::Reader.new(url, now: Time.utc(2026, 12, 1)).call(@files.fetch(name).string)
  end

  def test_what_is_written_is_read_back_without_a_flaw
    writer = writer()
    writer.add(
      listing(
        "/a?x=1&y='2'",
        lastmod: Time.utc(2026, 5, 1, 10),
        images: ["http://a.test/i.png"],
        alternates: [{code: "da", url: "http://b.test/å"}],
        priority: 0.5,
        changefreq: "weekly"
      )
    )
    writer.add(
      listing(
        "/b",
        video: {
          "thumbnail_loc" => "http://a.test/t.png",
          "title" => "T & u",
          "description" => "d",
          "content_loc" => "http://a.test/v.mp4"
        },
        news: {
          "name" => "Skerry Log",
          "language" => "en",
          "publication_date" => "2026-05-01",
          "title" => "<Storm>"
        }
      )
    )
    assert_equal ["sitemap-pages-1.xml", "sitemap.xml"], writer.finish.map(&:name)

    read = read("sitemap-pages-1.xml")
    assert_equal ["urlset", []], [read.kind, read.flaws]
    first, second = read.entries
    assert_equal %w[http://a.test/a?x=1&y=%272%27 2026-05-01T10:00:00Z 0.5 weekly],
      [first.url, first.lastmod, first.priority, first.changefreq]
    assert_equal [
      [{code: "da", url: "http://b.test/%C3%A5", source: "sitemap"}],
      [["image", {"loc" => "http://a.test/i.png"}]]
    ],
      [first.alternates, first.extras]
    video, news = %w[video news].map { |kind| second.extras.assoc(kind)[1] }
    assert_equal ["T & u", "<Storm>", "Skerry Log"], [video["title"], news["title"], news["name"]]
  end

  def test_a_file_ends_when_it_is_full_and_the_index_names_all
    writer = writer(most_entries: 2)
    5.times { |number| writer.add(listing("/#{number}", lastmod: Time.utc(2026, 1, number + 1))) }
    files = writer.finish
    assert_equal [
      ["sitemap-pages-1.xml", 2],
      ["sitemap-pages-2.xml", 2],
      ["sitemap-pages-3.xml", 1],
      ["sitemap.xml", 3]
    ],
      files.map { |file| [file.name, file.urls] }
    assert_equal ["index", %w[1 2 3].map { |number| "http://a.test/sitemap-pages-#{number}.xml" }, []],
      read("sitemap.xml").to_h.values_at(:kind, :sitemaps, :flaws)
    assert_equal Time.utc(2026, 1, 5), files.last.lastmod
  end

  def test_no_file_is_larger_than_the_limit
    writer = writer(most_bytes: 1_200)
    30.times { |number| writer.add(listing("/#{"x" * number}")) }
    files = writer.finish
    assert_operator files.size, :>, 2
    files[0..-2].each do |file|
      assert_equal [file.bytes, true], [@files[file.name].string.bytesize, file.bytes <= 1_200]
    end
    assert_equal 30, files[0..-2].sum(&:urls)
  end

  def test_groups_have_files_of_their_own_with_names_that_can_stand_in_an_address
    writer = writer(ending: ".xml.gz")
    [%w[/ /], %w[/lamps/1 /lamps/], ["/x", "Fotos & Æbler"]].each { |path, part| writer.add(listing(path), part: part) }
    assert_equal %w[sitemap-home-1.xml.gz sitemap-lamps-1.xml.gz sitemap-fotos-bler-1.xml.gz sitemap.xml],
      writer.finish.map(&:name)
  end

  def test_nothing_to_list_gives_no_file
    assert_empty writer.finish
    assert_empty @files
  end
end
