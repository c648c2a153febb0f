# frozen_string_literal: true

require_relative "../test_helper"

# A robots.txt and a sitemap read again after the crawl, by themselves.
class ReadAgainTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  AT = "http://small.example"

  def setup
    super
    pages =
      %w[/ /a /b /gone].to_h do |path|
        [
          path,
          "<!doctype html><html lang=en><title>A page of the small " \
          "site</title><body><h1>#{path}</h1><p>#{(1..60).map { |n| "#{path}#{n}" }.join(" ")}</p><a href=/a>a</a> " \
          "<a href=/b>b</a>"
        ]
      end
    @files = {
      "/robots.txt" => [200, {"content-type" => "text/plain"}, "User-agent: *\nDisallow: /a\nSitemap: #{AT}/s.xml\n"],
      "/s.xml" => set("/", "/b", "/gone"),
      "/gone" => [404, {}, ""]
    }
    @site = SmallSite.new({}) { |path| @files[path] || pages[path] }
    @again = IronTrellis::Work::Robots::ReadAgain.new(crawl_here(@site), clock: -> { Time.now })
    @before = @site.requests.size
  end

  def set(*paths) =
    [
      200,
      {"content-type" => "application/xml"},
      "<urlset xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\">" \
      "#{paths.map { |path| "<url><loc>#{AT}#{path}</loc></url>" }.join}</urlset>"
    ]

  def test_what_a_robots_txt_blocks_and_allows_now
    assert_equal [true, 0, 0], @again.robots(AT).then { |now| [now[:same], now[:freed][:total], now[:shut][:total]] }

    @files["/robots.txt"] = [200, {"content-type" => "text/plain"}, "User-agent: *\nDisallow: /b\n"]
    now = @again.robots(AT)
    assert_equal [false, ["#{AT}/a"], ["#{AT}/b"]],
      [now[:same], *%i[freed shut].map { |name| now[name][:rows].map { |row| row["url"] } }]
    assert_equal ["Disallow: /b"],
      now[:difference].select { |line| line[:change] == "added" }.map { |line| line[:text] }
    assert_equal 2, @site.requests.size - @before, "nothing else is asked for"
    assert_raises(IronTrellis::Core::Error::NotFound) { @again.robots("http://other.example") }
  end

  def test_what_a_sitemap_lists_now
    @files["/s.xml"] = set("/", "/new", "/gone")
    now = @again.sitemap("#{AT}/s.xml")

    assert_equal [3, 3, 1], now.values_at(:entries, :before, :belonging)
    assert_equal [["#{AT}/new"], ["#{AT}/b"], ["#{AT}/gone", "#{AT}/new"]],
      %i[came went astray].map { |name| now[name][:rows].map { |row| row[:url] } }
    assert_nil now[:came][:rows].first[:url_id]
    @files["/s.xml"] = [500, {}, ""]
    assert_equal [500, 0, 3],
      @again
        .sitemap("#{AT}/s.xml")
        .then { |broken| [broken[:status], broken[:entries], broken[:went][:total]] }
    assert_raises(IronTrellis::Core::Error::NotFound) { @again.sitemap("#{AT}/other.xml") }
  end
end
