# frozen_string_literal: true

require_relative "../test_helper"

# What is worked out from the facts of a small crawl, where one page's verdict hangs on other pages.
class JudgingTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  Sql = IronTrellis::Store::Postgres::Sql
  AT = "http://small.example"

  def page(*links, head: "", body: "", lang: "en")
    anchors = links.map { |href| "<a href=\"#{href}\">to #{href}</a>" }.join(" ")
    "<!doctype html><html lang=\"#{lang}\"><head><title>A page of the small site, for " \
    "tests</title>#{head}</head><body><h1>Here</h1><p>#{"word " * 130}</p>#{anchors}#{body}</body></html>"
  end

  def canonical(path) = "<link rel=\"canonical\" href=\"#{AT}#{path}\">"

  def tongue(code, path) = "<link rel=\"alternate\" hreflang=\"#{code}\" href=\"#{AT}#{path}\">"

  # @return [Array<Array(String, String)>] path and what it is about, of one rule
  def told(crawl, code)
    Sql
      .rows("SELECT url, about FROM faults_#{crawl.verdict_run.id} WHERE code = $1 ORDER BY url, about", [code])
      .map { |row| row.values_at("url", "about").map { |one| one&.delete_prefix(AT) } }
  end

  def test_canonicals_that_lead_on_or_back_are_told_at_each_of_their_pages
    crawl =
      crawl_here(
        SmallSite.new(
          "/" => page("/a", "/b", "/c", "/x", "/y"),
          "/a" => page(head: canonical("/b")),
          "/b" => page(head: canonical("/c")),
          "/c" => page(head: canonical("/c")),
          "/x" => page(head: canonical("/y")),
          "/y" => page(head: canonical("/x"))
        )
      )

    assert_equal [["/a", "/b"]], told(crawl, "canonical-chain")
    assert_equal [["/x", "/y"], ["/y", "/x"]], told(crawl, "canonical-loop")
  end

  def test_what_a_page_loads_is_weighed_by_kind_each_thing_once_and_as_far_as_it_is_known
    body =
      '<script src="/a.js"></script><script src="/a.js"></script><script src="/gone.js"></script>' \
      '<img src="/i.png" alt=""><img src="/j.png" alt=""><h1>And here</h1>'
    home = page("/plain", head: '<link rel="stylesheet" href="/s.css">', body: body)
    crawl =
      crawl_here(
        SmallSite.new(
          "/" => home,
          "/plain" => page,
          "/a.js" => [200, {"content-type" => "text/javascript"}, "x" * 100],
          "/s.css" => [200, {"content-type" => "text/css"}, "y" * 50],
          "/i.png" => [200, {"content-type" => "image/png"}, "z" * 30],
          "/j.png" => [200, {"content-type" => "image/png"}, "z" * 9]
        )
      )
    rows =
      Sql
        .rows(
          "SELECT url, h1_count, scripts, script_bytes, styles, style_bytes, image_bytes, page_bytes - bytes AS " \
          "beside FROM ledger_rows_#{crawl.verdict_run.id} WHERE kind = 'html' AND status = 200 ORDER BY url"
        )
        .map { |row| row.except("url").values }

    assert_equal [[2, 2, 100, 1, 50, 39, 189], [1, 0, nil, 0, nil, nil, 0]], rows
  end

  def test_what_only_other_agents_are_told_is_no_conflict
    robots = ->(name, value) { "<meta name=\"#{name}\" content=\"#{value}\">" }
    crawl =
      crawl_here(
        SmallSite.new(
          "/" => page("/ours", "/others"),
          "/ours" => page(head: robots.call("robots", "index") + robots.call("irontrellis", "noindex")),
          "/others" => page(head: robots.call("robots", "index") + robots.call("otherbot", "noindex"))
        )
      )

    assert_equal [["/ours", "index, noindex"]], told(crawl, "directive-conflict")
  end

  def test_the_page_must_name_back_itself_or_in_a_sitemap
    sets = [tongue("en", "/"), tongue("pt", "/pt"), tongue("it", "/it"), tongue("x-default", "/")].join
    sitemap = <<~XML
      <urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9" xmlns:xhtml="http://www.w3.org/1999/xhtml">
        <url><loc>#{AT}/it</loc>
        <xhtml:link rel="alternate" hreflang="en" href="#{AT}/"/>
        <xhtml:link rel="alternate" hreflang="it" href="#{AT}/it"/></url>
      </urlset>
    XML
    crawl =
      crawl_here(
        SmallSite.new(
          "/" => page("/pt", "/it", head: sets),
          "/pt" => page("/", lang: "pt"),
          "/it" => page("/", lang: "it"),
          "/robots.txt" => [200, {"content-type" => "text/plain"}, "Sitemap: #{AT}/s.xml\n"],
          "/s.xml" => [200, {"content-type" => "application/xml"}, sitemap]
        )
      )

    assert_equal [["/", "/pt"]], told(crawl, "hreflang-no-return")
  end

  def test_a_redirect_that_leaves_the_site_is_told_at_each_hop_and_is_no_way_home
    moved = ->(to) { [301, {"location" => to}, ""] }
    crawl =
      crawl_here(
        SmallSite.new(
          "/" => page("/a", "/old", "/inner"),
          "/a" => moved.call("/b"),
          "/b" => moved.call("http://elsewhere.example/"),
          "/old" => moved.call("/"),
          "/inner" => moved.call("/new"),
          "/new" => page("/")
        )
      )

    assert_equal [["/a", "/b"], ["/b", "http://elsewhere.example/"]], told(crawl, "redirect-off-site")
    assert_equal [["/old", "/"]], told(crawl, "redirect-to-home")
  end

  # What is blocked, missing, moved or fails stands where its links would place it among the pages, and a key page stays
  # one.
  def test_urls_that_are_no_pages_have_their_importance_from_what_is_known
    site =
      SmallSite.new(
        "/" => page("/hub", "/gone", "/moved", "/shut/key", "/a"),
        "/hub" => page("/", "/a", "/b", "/gone", "/fails", "/shut/key"),
        "/a" => page("/", "/hub"),
        "/b" => page("/hub", "/lost"),
        "/moved" => [301, {"location" => "/hub"}, ""],
        "/fails" => [500, {}, ""],
        "/robots.txt" => [
          200,
          {"content-type" => "text/plain"},
          "User-agent: *\nDisallow: /shut/\nSitemap: #{AT}/s.xml\n"
        ],
        "/s.xml" => [
          200,
          {"content-type" => "application/xml"},
          "<urlset xmlns='http://www.sitemaps.org/schemas/sitemap/0.9'><url><loc>#{AT}/shut/key</loc></url></urlset>"
        ]
      )
    crawl = crawl_here(site, retries: 0)
    IronTrellis::Work::Intents::UpdateIntents.replace(
      crawl.site,
      intents: [],
      key_pages: ["#{AT}/shut/key"],
      by: "Test",
      now: Time.now
    )
    IronTrellis::Work::Judging::Judgement.alone(crawl, clock: -> { Time.now })
    rows = rows_of(crawl)

    assert_empty %w[/gone /moved /fails /shut/key /lost].select { |path|
                   rows[path]["importance"].nil? || rows[path]["authority"]
                 }
    assert_operator rows["/gone"]["importance"],
      :>,
      rows["/lost"]["importance"],
      "linked from two pages of weight, not from a small one"
    assert_operator rows["/shut/key"]["importance"], :>=, 90
    assert_equal %w[authority key_page nearness sitemap], rows["/shut/key"]["importance_parts"].keys.sort
    assert(rows.values.all? { |row| row["importance"].nil? || row["importance"].between?(0, 100) })

    rules = IronTrellis::Store::Reports::Causes.new(crawl.verdict_run).call
    assert_equal rules.map { |rule| rule[:grade] }.sort_by { |grade| %w[stops diverts weakens].index(grade) },
      rules.map { |rule| rule[:grade] }
    if rules.any? { |rule| rule[:code] == "title-equals-h1" }
      assert_equal [0.0, "title-equals-h1"], rules.last.values_at(:weight, :code)
    end
  end

  def test_importance_follows_links_and_what_stands_behind_another_has_no_authority
    site =
      SmallSite.new(
        "/" => page("/hub", "/far", "/copy"),
        "/hub" => page("/", "/a", "/b"),
        "/a" => page("/hub"),
        "/b" => page("/hub"),
        "/far" => page("/hub"),
        "/copy" => page("/", head: canonical("/hub"))
      )
    rows = rows_of(crawl_here(site))

    assert_nil rows["/copy"]["authority"]
    assert_equal "/hub", rows.except("/copy").max_by { |_, row| row["authority"] }.first
    assert_in_delta 1.0, rows.values.sum { |row| row["authority"] || 0 }, 1e-6
    assert_operator rows["/far"]["importance"], :<, rows["/hub"]["importance"]
    assert_equal %w[authority nearness],
      rows["/hub"]["importance_parts"].keys.sort,
      "there is no sitemap to be listed in"
  end

  def test_a_list_says_nothing_of_importance_and_a_crawl_of_one_page_is_judged
    alone = SmallSite.new("/" => page)

    assert_nil rows_of(crawl_here(alone, urls: ["#{AT}/"]))["/"]["importance"]
    assert_equal 1.0, rows_of(crawl_here(alone))["/"]["authority"]
  end

  # Page rules are asked while rows come in portions; link and set rules of all of them.
  def test_pages_that_share_a_heading_are_told_of_each_other_whatever_their_titles
    crawl =
      crawl_here(
        SmallSite.new(
          "/" => page("/a", "/b", "/c"),
          "/a" => page.sub("<title>A", "<title>Another A").gsub("word ", "lamp "),
          "/b" => page.sub("<h1>Here", "<h1>There").gsub("word ", "oil "),
          "/c" => page.sub("<h1>Here", "<h1>There").gsub("word ", "oil ")
        )
      )

    assert_equal [["/", "/a"], ["/a", "/"]], told(crawl, "h1-duplicate")
    assert_equal [["/c", "/b"]], told(crawl, "copy-exact")
    assert_equal [["/", "/b"], ["/b", "/"]], told(crawl, "title-duplicate"), "what a copy explains isn't told again"
  end
end
