# frozen_string_literal: true

require_relative "../test_helper"

# Sitemap files of all forms, and what is wrong with them.
class SitemapsTest < Minitest::Test
  Core = IronTrellis::Core
  NOW = Time.utc(2026, 6, 1)
  SPACE = %(xmlns="http://www.sitemaps.org/schemas/sitemap/0.9")
  LOCATION = "http://a.test/sitemaps/one.xml"

  def read(bytes, location: LOCATION) =
    Core::Sitemaps::Reader.new(Core::Url::NormalForm.parse(location), now: NOW).call(bytes)

  def urlset(*entries, more: "")
    urls = entries.map { |entry| "<url>#{entry}</url>" }
    "<?xml version=\"1.0\"?>\n<urlset #{SPACE}#{more}>\n#{urls.join("\n")}\n</urlset>"
  end

  def flaws(bytes, **options) = read(bytes, **options).flaws.map { |flaw| [flaw.code, flaw.line, flaw.about] }

  def loc(name) = "<loc>http://a.test/sitemaps/#{name}</loc>"

  def test_a_sound_file_has_no_flaws
    sound =
      urlset(
        "#{loc("1")}<lastmod>2026-05-01</lastmod><priority>0.5</priority><changefreq>daily</changefreq>",
        "#{loc("2?a&amp;b")}<lastmod>2026-05-02T10:00:00+02:00</lastmod>"
      )
    assert_empty flaws(sound)
    assert_equal ["urlset", %w[http://a.test/sitemaps/1 http://a.test/sitemaps/2?a&b]],
      [read(sound).kind, read(sound).entries.map(&:url)]
  end

  def test_flaws_of_entries_are_told_with_their_lines
    bad =
      urlset(
        "<loc>/relative</loc>",
        "<lastmod>2026-05-01</lastmod>",
        "#{loc("1")}<lastmod>2026-13-01</lastmod>",
        "#{loc("2")}<lastmod>2027-01-01</lastmod>",
        "#{loc("3")}<lastmod>2026-05-01</lastmod><priority>1.1</priority><changefreq>sometimes</changefreq>",
        "#{loc("3")}<lastmod>2026-05-01</lastmod>",
        "<loc>http://b.test/</loc><lastmod>2026-05-01</lastmod>",
        "<loc>http://a.test/above</loc>"
      )
    assert_equal [
      ["sitemap-malformed", 3, "/relative"],
      ["sitemap-malformed", 4, "an entry without an address"],
      ["sitemap-date", 5, "2026-13-01"],
      ["sitemap-date", 6, "2027-01-01"],
      ["sitemap-value", 7, "priority 1.1"],
      ["sitemap-value", 7, "changefreq sometimes"],
      ["sitemap-duplicate", 8, "http://a.test/sitemaps/3"],
      ["sitemap-off-host", 9, "http://b.test/"],
      ["sitemap-off-host", 10, "http://a.test/above"]
    ],
      flaws(bad)
  end

  def test_extensions_must_have_what_they_require
    spaces =
      ' xmlns:image="http://www.google.com/schemas/sitemap-image/1.1" ' \
      'xmlns:video="http://www.google.com/schemas/sitemap-video/1.1" ' \
      'xmlns:news="http://www.google.com/schemas/sitemap-news/0.9"'
    video =
      "<video:video><video:thumbnail_loc>http://a.test/t.png</video:thumbnail_loc><video:title>t</video:title>" \
      "<video:description>d</video:description></video:video>"
    news =
      "<news:news><news:publication><news:name>n</news:name><news:language>en</news:language></news:publication>" \
      "<news:publication_date>2026-05-01</news:publication_date><news:title>t</news:title></news:news>"
    bad = urlset("#{loc("1")}<image:image></image:image>", loc("2") + video, loc("3") + news, more: spaces)
    assert_equal [["sitemap-field", 3, "image: loc"], ["sitemap-field", 4, "video: content_loc or player_loc"]],
      flaws(bad)
    assert_equal %w[http://a.test/sitemaps/1 http://a.test/sitemaps/2 http://a.test/sitemaps/3],
      read(bad).entries.map(&:url)
  end

  def test_dates_as_a_whole
    same = urlset(*(1..50).map { |number| "#{loc(number)}<lastmod>2026-05-01</lastmod>" })
    assert_equal [["sitemap-date", nil, "all 50 dates are the same"]], flaws(same)
    assert_empty flaws(urlset(*(1..49).map { |number| "#{loc(number)}<lastmod>2026-05-01</lastmod>" }))
    assert_equal [["sitemap-date", nil, "2 of 3 entries have no date"]],
      flaws(urlset("#{loc(1)}<lastmod>2026-05-01</lastmod>", loc(2), loc(3)))
    assert_empty flaws(urlset(loc(1), loc(2)))
  end

  def test_w3c_datetimes
    date = ->(text) { Core::Sitemaps::Date.read(text) }
    assert_equal Time.utc(2026, 5, 31, 8, 30), date.call("2026-05-31T10:30+02:00")
    assert_equal [Time.utc(2026), Time.utc(2026, 5), Time.utc(2026, 5, 31, 1, 2, 3)],
      %w[2026 2026-05 2026-05-31T01:02:03.45Z].map(&date)
    [
      "2026-02-30",
      "31.05.2026",
      "2026-05-31T10:30",
      "2026-05-31 10:30:00Z",
      "2026-05-31T25:00Z",
      "26-05-31"
    ].each { |text| assert_nil date.call(text), text }
  end

  def test_files_that_are_something_else
    assert_equal [["sitemap-unreadable", 1, "the file is empty"]], flaws(" \n")
    assert_equal "sitemap-malformed", flaws("{\"urls\": []}").first.first
    assert_match(/UTF-16/, flaws("<urlset/>".encode("UTF-16")).first.last)
    assert_match(/<html>/, flaws("<html><body>Not here</body></html>").first.last)
    assert_match(/namespace/, flaws("<urlset><url>#{loc(1)}</url></urlset>").first.last)
    assert_equal ["unknown", "sitemap-malformed"], [read("<other/>").kind, flaws("<other/>").first.first]
  end

  def test_an_index_names_files_and_neither_itself_nor_pages
    index =
      "<sitemapindex #{SPACE}>" \
      "<sitemap>#{loc("two.xml")}</sitemap>\n<sitemap>#{loc("one.xml")}</sitemap>\n" \
      "<url>#{loc("1")}</url></sitemapindex>"
    assert_equal [["sitemap-nested-index", 2, LOCATION], ["sitemap-nested-index", 3, "<url>"]], flaws(index)
    assert_equal ["index", ["http://a.test/sitemaps/two.xml", LOCATION], []],
      read(index).to_h.values_at(:kind, :sitemaps, :entries)
  end

  def test_text_files_and_feeds_are_sitemaps_too
    assert_equal ["text", %w[http://a.test/1 http://a.test/2]],
      read("\uFEFFhttp://a.test/1\r\n\r\nhttp://a.test/2\n").then { |file|
        [file.kind, file.entries.map(&:url)]
      }
    rss =
      "<rss version=\"2.0\"><channel><link>http://a.test/</link><item><title>x</title><link>http://a.test/1</link>" \
      "<pubDate>Fri, 01 May 2026 10:00:00 GMT</pubDate></item></channel></rss>"
    atom =
      "<feed xmlns=\"http://www.w3.org/2005/Atom\"><link href=\"http://a.test/\"/><entry><link rel=\"edit\" " \
      "href=\"http://a.test/e\"/><link href=\"http://a.test/1\"/><updated>2026-05-01T10:00:00Z</updated></entry></feed>"
    {"rss" => rss, "atom" => atom}.each do |kind, xml|
      file = read(xml)
      assert_equal [kind, ["http://a.test/1"], []], [file.kind, file.entries.map(&:url), file.flaws]
    end
  end

  def test_the_published_limits
    checks = Core::Sitemaps::Checks
    assert_equal %w[sitemap-too-many sitemap-too-big], checks.of_size(50_001, 52_428_801).map(&:code)
    assert_empty checks.of_size(50_000, 52_428_800)
  end
end
