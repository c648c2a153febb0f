# frozen_string_literal: true

require_relative "../test_helper"

# Sitemaps that a crawl reads, and those that are built from it.
class SitemapsOfCrawlTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  Work = IronTrellis::Work
  Store = IronTrellis::Store
  SPACE = 'xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"'
  PAGE = ->(title, body = "") do
    "<!doctype html><html lang=en><head><title>#{title}</title></head><body><main><h1>#{title}</h1>" \
    "<p>#{(1..60).map { |number| "#{title}#{number}" }.join(" ")}</p>#{body}</main></body></html>"
  end

  def index(*names) =
    [
      200,
      {"content-type" => "application/xml"},
      "<sitemapindex #{SPACE}>" \
      "#{names.map { |name| "<sitemap><loc>http://small.example#{name}</loc></sitemap>" }.join}</sitemapindex>"
    ]

  def urlset(*paths) =
    [
      200,
      {"content-type" => "application/xml"},
      "<urlset #{SPACE}>#{paths.map { |path| "<url><loc>http://small.example#{path}</loc></url>" }.join}</urlset>"
    ]

  def setup
    super
    @pages = {
      "/robots.txt" => [200, {"content-type" => "text/plain"}, "Sitemap: http://small.example/a.xml\n"],
      "/a.xml" => index("/b.xml"),
      "/b.xml" => index("/a.xml", "/b.xml", "/c.xml"),
      "/c.xml" => urlset("/", "/x", "/gone"),
      "/" => PAGE.call("Home", "<a href=/x>x</a> <a href=/y>y</a>"),
      "/x" => PAGE.call("Xebec", "<img src=/i.png alt=x>"),
      "/y" => PAGE.call("Yawl"),
      "/i.png" => [200, {"content-type" => "image/png"}, "png"]
    }
    server = SmallSite.new(@pages)
    @first = crawl_here(server)
    @server_requests = server.requests.map(&:target)
    @first.update!(state: "finished")
    @site = @first.site
  end

  def again
    crawl = Work::Crawling::Runs.start(@site, now: Time.now, slots: 1, queue: "here-#{SecureRandom.hex(6)}")
    crawl.advance("waiting", "crawling", started_at: Time.now)
    Work::Crawling::Session.new(crawl, slot: 0, clock: -> { Time.now }).run { false }
    Work::Judging::Judgement.alone(crawl, clock: -> { Time.now })
    crawl.update!(state: "finished")
    crawl
  end

  def build(plan = {})
    now = Time.now
    @site.decisions.decide(
      "sitemaps",
      {"all" => IronTrellis::Core::Decisions::Kinds::Sitemaps::PLAN.merge("packed" => false).merge(plan)},
      by: "Test",
      now: now
    )
    Work::Sitemaps::Building.now(@site, clock: -> { now })
  end

  def codes(crawl) =
    Store::Postgres::Sql.run("SELECT DISTINCT code FROM faults_#{crawl.verdict_run.id} ORDER BY 1").column_values(0)

  def read(file) =
    IronTrellis::Core::Sitemaps::Reader.new(
      IronTrellis::Core::Url::NormalForm.parse("#{file.host}/#{file.name}"),
      now: Time.now + 60
    ).call(file.content)

  def entries(build) = build.files.reject { |file| file.name == "sitemap.xml" }.flat_map { |file| read(file).entries }

  def test_indexes_that_name_each_other_are_read_once_and_told_of
    assert_equal %w[/a.xml /b.xml /c.xml],
      Store::Postgres::Sql
        .run("SELECT url FROM sitemap_files WHERE crawl_id = $1 ORDER BY url", [@first.id])
        .column_values(0)
        .map { |url| url.delete_prefix("http://small.example") }
    assert_includes Store::Postgres::Sql.run(
                      "SELECT url FROM faults_#{@first.verdict_run.id} WHERE code = 'sitemap-nested-index'"
                    ).column_values(0),
      "http://small.example/b.xml"
    assert rows_of(@first).key?("/x")
  end

  # A listed stylesheet, a copy of a page, a page like the answer to a made-up address, and one that shall stand behind
  # another.
  def test_only_documents_that_pass_all_rungs_and_stand_for_themselves_are_listed
    missing = [
      200,
      {"content-type" => "text/html"},
      "<title>Not here</title><p>#{"Nothing is kept at this address any more. " * 20}</p>"
    ]
    site =
      SmallSite.new(
        @pages.merge(
          "/c.xml" => urlset("/", "/x", "/copy", "/s.css", "/behind", "/soft", "/d.pdf"),
          "/" => PAGE.call("Home", "<link rel=stylesheet href=/s.css>"),
          "/s.css" => [200, {"content-type" => "text/css"}, "a{}"],
          "/copy" => PAGE.call("Xebec", "<img src=/i.png alt=x>"),
          "/behind" => PAGE.call("Behind"),
          "/d.pdf" => [200, {"content-type" => "application/pdf"}, "%PDF-1.4"]
        )
      ) { missing }
    @first = crawl_here(site)
    @first.update!(state: "finished")
    @site = @first.site
    @site.decisions.decide(
      "canonical",
      {"http://small.example/behind" => {"target" => "http://small.example/x"}},
      by: "Test",
      now: Time.now
    )
    Work::Judging::Judgement.alone(@first, clock: -> { Time.now })

    assert_equal %w[/ /x], entries(build).map { |entry| entry.url.delete_prefix("http://small.example") }
    assert_equal %w[/ /d.pdf /x],
      entries(build("pdfs" => true)).map { |entry| entry.url.delete_prefix("http://small.example") }.sort
    book = Store::Sitemaps::Published.new(@first.verdict_run, IronTrellis::Core::Decisions::Kinds::Sitemaps::PLAN)
    assert_equal(
      {"listed" => 7, "belonging" => 2, "found" => "file"},
      book.files.find { |file| file["url"].end_with?("/c.xml") }.slice("listed", "belonging", "found")
    )
    assert_equal %w[/behind /copy /d.pdf /s.css /soft],
      book.difference[:leaves][:rows].map { |row| row["url"].delete_prefix("http://small.example") }.sort
  end

  def test_sitemaps_at_usual_addresses_are_asked_for_where_no_robots_txt_names_one
    gzipped = Zlib.gzip("<urlset #{SPACE}><url><loc>http://small.example/y</loc></url></urlset>")
    site =
      SmallSite.new(
        @pages.except("/robots.txt").merge(
          "/sitemap.xml" => [301, {"location" => "/sitemap_index.xml"}, ""],
          "/sitemap_index.xml" => index("/c.xml"),
          "/sitemap.xml.gz" => [200, {"content-type" => "application/gzip"}, gzipped],
          "/sitemap.txt" => [200, {"content-type" => "text/plain"}, "Nothing here"]
        )
      )
    crawl = crawl_here(site)
    found =
      Store::Postgres::Sql.run(
        "SELECT url, found, state FROM sitemap_files WHERE crawl_id = $1 AND state = 'read' ORDER BY url",
        [crawl.id]
      ).values
    assert_equal [%w[/c.xml file], %w[/sitemap.xml.gz usual], %w[/sitemap_index.xml usual]],
      found.map { |url, how| [url.delete_prefix("http://small.example"), how] }
    assert_equal IronTrellis::Core::Sitemaps::Usual::PATHS.sort, site.requests.map(&:target).grep(/sitemap/).uniq.sort
    assert_equal %w[http://small.example/sitemap.xml.gz], rows_of(crawl)["/y"]["in_sitemaps"]
    assert_empty codes(crawl).grep(/sitemap-(?!lists)/) - %w[sitemap-date]
  end

  def test_no_usual_address_is_asked_where_robots_txt_names_one_or_forbids_it
    assert_empty @server_requests.grep(/sitemap/)
    shut =
      SmallSite.new(
        @pages.merge("/robots.txt" => [200, {"content-type" => "text/plain"}, "User-agent: *\nDisallow: /sitemap"])
      )
    assert_includes codes(crawl_here(shut)), "sitemap-none"
    assert_empty shut.requests.map(&:target).grep(/sitemap/)
  end

  def test_a_page_that_is_missing_from_sitemaps_is_told_about_the_one_of_its_group
    site =
      SmallSite.new(
        @pages.merge(
          "/robots.txt" => [
            200,
            {"content-type" => "text/plain"},
            "Sitemap: http://small.example/a.xml\nSitemap: http://small.example/z.xml\n"
          ],
          "/z.xml" => urlset("/lamps/a", "/lamps/b"),
          "/a.xml" => urlset("/"),
          "/" =>
            PAGE.call(
              "Home",
              "<a href=/lamps/a>a</a> <a href=/lamps/b>b</a> <a href=/lamps/c>c</a> <a href=/other/d>d</a>"
            ),
          "/lamps/a" => PAGE.call("Anchor"),
          "/lamps/b" => PAGE.call("Beacon"),
          "/lamps/c" => PAGE.call("Compass"),
          "/other/d" => PAGE.call("Dory")
        )
      )
    crawl = crawl_here(site)
    IronTrellis::Work::Intents::UpdateIntents.replace(
      crawl.site,
      intents: [{"pattern" => "*", "intent" => "index"}],
      key_pages: [],
      by: "Test",
      now: Time.now
    )
    run = Work::Judging::Judgement.alone(crawl, clock: -> { Time.now })
    assert_equal [%w[/lamps/c /z.xml], %w[/other/d /a.xml]],
      Store::Postgres::Sql
        .run("SELECT url, about FROM faults_#{run.id} WHERE code = 'sitemap-omits' ORDER BY 1")
        .values
        .map { |pair| pair.map { |url| url.delete_prefix("http://small.example") } }
  end

  def test_what_is_wanted_and_may_be_indexed_is_listed_and_nothing_else
    assert_equal %w[http://small.example/ http://small.example/x], entries(build).map(&:url)
    @site.decisions.decide(
      "intent",
      {"http://small.example/y" => {"intent" => "index"}, "http://small.example/x" => {"intent" => "keep_out"}},
      by: "Test",
      now: Time.now
    )
    Work::Judging::Judgement.alone(@first, clock: -> { Time.now })
    assert_equal %w[http://small.example/ http://small.example/y], entries(build).map(&:url)
  end

  def test_images_and_hints_are_carried_where_they_were_asked_for
    listed =
      entries(
        build("images" => true, "priority" => {"/" => 0.7}, "changefreq" => {"/" => "weekly"})
      ).to_h { |entry| [entry.url, entry] }
    assert_equal [["image", {"loc" => "http://small.example/i.png"}]], listed.fetch("http://small.example/x").extras
    assert_equal ["0.7", "weekly"], listed.fetch("http://small.example/").to_a.values_at(3, 4)
    assert_empty entries(build("images" => false)).flat_map(&:extras)
  end

  def test_a_date_is_written_only_where_a_change_was_seen
    assert_equal [nil, nil], entries(build).map(&:lastmod)
    @pages["/x"] = PAGE.call("Xylem")
    second = again
    changed = entries(build).to_h { |entry| [entry.url, entry.lastmod] }
    assert_nil changed["http://small.example/"]
    assert_in_delta second.created_at, Time.parse(changed["http://small.example/x"]), 30
  end

  def test_they_are_built_again_after_a_crawl_or_a_day_where_the_plan_says_so
    build("rebuild" => "after_crawl")
    assert_equal(1, asked { Work::Sitemaps::Building.after_crawl(@first, now: Time.now) })
    build("rebuild" => "daily")
    assert_equal(0, asked { Work::Sitemaps::Building.after_crawl(@first, now: Time.now) })
    assert_equal(0, asked { Work::Sitemaps::Building.ask_due(Time.now + 3600) })
    assert_equal(1, asked { Work::Sitemaps::Building.ask_due(Time.now + 25 * 3600) })
  end

  # How many builds the block asks for.
  def asked
    before = Store::Sitemaps::SitemapBuild.where(site_id: @site.id, state: "waiting").count
    yield
    Store::Sitemaps::SitemapBuild.where(site_id: @site.id, state: "waiting").count - before
  end

  def test_without_a_crawl_there_is_nothing_to_build_from
    site =
      Store::Sites::Site.register(
        name: "bare #{SecureRandom.hex(6)}",
        settings: IronTrellis::Core::Settings::Crawl.new("start_urls" => ["http://a.test/"])
      )
    assert_raises(IronTrellis::Core::Error::Conflict) { Work::Sitemaps::Building.now(site, clock: -> { Time.now }) }
  end
end
