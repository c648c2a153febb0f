# frozen_string_literal: true

require_relative "../test_helper"

# Rules for which the database picks what is looked at, on sites of a few pages.
class RulesOnASmallSiteTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  def page(title, body = "", head: "") = "<!doctype html><html lang=en><head><title>#{title}</title>#{head}</head><body><main><h1>#{title}</h1>#{body}<p>#{(1..70).map { |number| "#{title}#{number}" }.join(" ")}</p></main></body></html>"

  def told(site, *codes, **settings)
    crawl = crawl_here(site, **settings)
    rows = IronTrellis::Store::Sql.rows("SELECT code, url, about FROM faults_#{crawl.verdict_run.id} WHERE code = ANY($1::text[]) ORDER BY code, url COLLATE \"C\", about COLLATE \"C\"", [IronTrellis::Store::Sql.array(codes)])
    rows.map { |row| [row["code"], *row.values_at("url", "about").map { |text| text&.delete_prefix("http://small.example") }] }
  end

  def test_images_without_alt_wherever_they_lie_and_not_their_other_sizes
    images = '<img src="/a.png"><img src="/b.png" alt=""><img src="http://cdn.example/c.png" srcset="/c2.png 2x"><picture><source srcset="/d2.png"><img src="/d.png" alt="D"></picture>'
    site = SmallSite.new("/" => page("Home", images), "/a.png" => [200, {"content-type" => "image/png"}, "x"], "/b.png" => [200, {"content-type" => "image/png"}, "x"], "/d.png" => [500, {"content-type" => "image/png"}, "x"],
      "/c2.png" => [200, {"content-type" => "image/png"}, "x"], "/d2.png" => [200, {"content-type" => "image/png"}, "x" * 200_001])

    assert_equal [["image-broken", "/", "/d.png"], ["image-heavy", "/", "/d2.png"], ["image-no-alt", "/", "http://cdn.example/c.png"], ["image-no-alt", "/", "/a.png"]],
      told(site, "image-no-alt", "image-broken", "image-heavy", retries: 0)
  end

  def test_forms_of_an_address_that_answer_alike
    links = %w[/x /x/ /Case /case /dir/ /dir/index.php /moved /moved/].map { |path| "<a href=#{path}>#{path}</a>" }.join
    site = SmallSite.new("/" => page("Home", links), "/x" => page("X"), "/x/" => page("Xslash"), "/Case" => page("Case"), "/case" => page("Lower"), "/dir/" => page("Dir"), "/dir/index.php" => page("Index"),
      "/moved" => [301, {"location" => "/moved/"}, ""], "/moved/" => page("Moved"))

    assert_equal [["case-variants", "/Case", "/case"], ["case-variants", "/case", "/Case"], ["index-file-variants", "/dir/", "/dir/index.php"], ["index-file-variants", "/dir/index.php", "/dir/"], ["slash-variants", "/x", "/x/"], ["slash-variants", "/x/", "/x"]],
      told(site, "case-variants", "index-file-variants", "slash-variants")
  end

  def test_nofollow_on_a_link_and_on_a_page
    site = SmallSite.new("/" => page("Home", '<a href=/a rel=nofollow>a</a> <a href=/b>b</a> <a href="http://other.example/" rel=nofollow>o</a>'), "/b" => page("B", "<a href=/c>c</a>", head: '<meta name=robots content="nofollow">'))
    assert_equal [["nofollow-internal", "/", "/a"], ["nofollow-internal", "/b", nil]], told(site, "nofollow-internal")
  end

  def test_members_of_a_set_that_name_fewer_than_others
    tongues = ->(*names) { names.map { |name| "<link rel=alternate hreflang=#{name} href=http://small.example/#{name}>" }.join }
    site = SmallSite.new("/" => page("Home", "<a href=/en>en</a>"), "/en" => page("En", head: tongues.call("en", "da")), "/da" => page("Da", head: tongues.call("en", "da", "pt")), "/pt" => page("Pt", head: tongues.call("en", "da", "pt")))
    assert_equal [["hreflang-no-return", "/pt", "/en"], ["hreflang-sets-differ", "/en", "/da"]], told(site, "hreflang-sets-differ", "hreflang-no-return")
  end

  def test_files_and_hosts_of_a_site
    site = SmallSite.new("/" => page("Home"), "/robots.txt" => [200, {"content-type" => "text/plain"}, "User-agent: *\nDisalow: /x\nSitemap: http://small.example/s.xml\n"], "/s.xml" => [200, {"content-type" => "text/xml"}, "<urlset><url><loc>/rel</loc></url></urlset>"]) { [404, {"content-type" => "text/html"}, "gone"] }
    assert_equal [["missing-page-bare", "/", "/iron-trellis"], ["robots-syntax", "/robots.txt", "2"], ["sitemap-malformed", "/s.xml", "1"], ["sitemap-malformed", "/s.xml", "1"]],
      told(site, "missing-page-bare", "robots-syntax", "robots-no-sitemap", "sitemap-malformed", "sitemap-none").map { |code, url, about| [code, url, about[/\A\/iron-trellis/] || about] }
  end

  def test_the_other_host_is_asked_and_told_where_it_answers
    site = SmallSite.new("/" => page("Home"))
    both = {"small.example:80" => "127.0.0.1:#{site.port}", "www.small.example:80" => "127.0.0.1:#{site.port}"}
    assert_equal [["host-variants", "/", "http://www.small.example/"]], told(site, "host-variants", resolve: both)
    assert_empty told(site, "host-variants")
    assert_includes site.requests.map(&:host), "www.small.example"
  end

  def test_a_copy_settled_by_its_canonical_is_no_fault_and_the_one_that_most_name_stands
    text = "<p>#{(1..60).map { |number| "word#{number}" }.join(" ")}</p>"
    own = ->(path) { "<link rel=canonical href=http://small.example#{path}>" }
    copy = ->(canonical) { "<html><head><title>T</title>#{own.call(canonical)}</head><body>#{text}</body></html>" }
    site = SmallSite.new("/" => page("Home", "<a href=/a>a</a> <a href=/bb>b</a> <a href=/c>c</a>"), "/a" => copy.call("/a"), "/bb" => copy.call("/bb"), "/c" => copy.call("/bb"))
    assert_equal [["copy-exact", "/a", "/bb"]], told(site, "copy-exact", "copy-near")
  end
end
