# frozen_string_literal: true

require_relative "../test_helper"

# What is told of the hosts of a site, and of hosts that it links to.
class HostRulesTest < Minitest::Test
  include TestDatabase
  include FaultsTold

  def test_files_and_hosts_of_a_site
    site =
      SmallSite.new(
        "/" => page("Home"),
        "/robots.txt" => [
          200,
          {"content-type" => "text/plain"},
          "User-agent: *\nDisalow: /x\nSitemap: http://small.example/s.xml\n"
        ],
        "/s.xml" => [200, {"content-type" => "text/xml"}, "<urlset><url><loc>/rel</loc></url></urlset>"]
      ) { [404, {"content-type" => "text/html"}, "gone"] }
    assert_equal [
      %w[missing-page-bare / /iron-trellis],
      %w[robots-syntax /robots.txt 2],
      %w[sitemap-malformed /s.xml 1],
      %w[sitemap-malformed /s.xml 1]
    ],
      told(
        site,
        "missing-page-bare",
        "robots-syntax",
        "robots-no-sitemap",
        "sitemap-malformed",
        "sitemap-none"
      ).map { |code, url, about| [code, url, about[%r{\A/iron-trellis}] || about] }
  end

  def test_the_other_host_is_asked_and_told_where_it_answers
    site = SmallSite.new("/" => page("Home"))
    both = {"small.example:80" => "127.0.0.1:#{site.port}", "www.small.example:80" => "127.0.0.1:#{site.port}"}
    assert_equal [["host-variants", "/", "http://www.small.example/"]], told(site, "host-variants", resolve: both)
    assert_empty told(site, "host-variants")
    assert_includes site.requests.map(&:host), "www.small.example"
  end

  def test_a_host_that_sends_its_visitors_on_for_good_is_no_variant
    site =
      SmallSite.new(
        "/" => ->(env) do
          if env["HTTP_HOST"] == "small.example"
            page("Home", "<a href=http://www.small.example/>www</a>")
          else
            [301, {"location" => "http://small.example/"}, ""]
          end
        end
      )
    both = {"small.example:80" => "127.0.0.1:#{site.port}", "www.small.example:80" => "127.0.0.1:#{site.port}"}
    assert_empty told(
      site,
      "host-variants",
      resolve: both,
      hosts: ["www.small.example"],
      start_urls: ["http://www.small.example/"]
    )
    assert_empty told(site, "host-variants", resolve: both)
    site =
      SmallSite.new(
        "/" => ->(env) do
          (env["HTTP_HOST"] == "small.example") ? page("Home") : [302, {"location" => "http://small.example/"}, ""]
        end
      )
    assert_equal [%w[host-variants / http://www.small.example/]],
      told(
        site,
        "host-variants",
        resolve: {
          "small.example:80" => "127.0.0.1:#{site.port}",
          "www.small.example:80" => "127.0.0.1:#{site.port}"
        }
      )
  end

  # Nobody listens on the first, the second speaks no TLS, the third is sent on to a page that isn't there.
  def test_links_to_other_hosts_that_lead_nowhere
    other =
      SmallSite.new(
        "/sent" => [302, {"location" => "/gone"}, ""],
        "/fine" => [200, {"content-type" => "text/html"}, "fine"],
        "/shy" => [403, {}, ""]
      )
    closed = TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] }
    links = %w[
      http://closed.example/x
      https://plain.example/
      http://nowhere.invalid/
      http://other.example/sent
      http://other.example/fine
      http://other.example/shy
    ]
    site = SmallSite.new("/" => page("Home", links.map { |url| "<a href=#{url}>#{url}</a>" }.join), "/p" => page("P"))
    resolve = {
      "small.example:80" => "127.0.0.1:#{site.port}",
      "closed.example:80" => "127.0.0.1:#{closed}",
      "plain.example:443" => "127.0.0.1:#{other.port}",
      "other.example:80" => "127.0.0.1:#{other.port}"
    }
    crawl = crawl_here(site, check_external: true, resolve: resolve)
    rows =
      IronTrellis::Store::Postgres::Sql
        .rows("SELECT about, detail FROM faults_#{crawl.verdict_run.id} WHERE code = 'outbound-missing' ORDER BY about")
        .to_h { |row| [row["about"], row["detail"]["error"] || row["detail"]["status"]] }
    assert_equal(
      {
        "http://closed.example/x" => "connect",
        "https://plain.example/" => "tls",
        "http://nowhere.invalid/" => "dns",
        "http://other.example/sent" => 404
      },
      rows
    )

    external = rows_of(crawl).select { |_, row| row["kind"] == "external" }
    assert_equal 7, external.size
    assert_equal [302, ["http://other.example/gone"], 404, 1, nil, [], false],
      external["other.example/sent"].values_at(
        "status",
        "redirect_chain",
        "final_status",
        "links_in",
        "stop",
        "climb",
        "indexable"
      )
    assert_equal ["HEAD"], other.requests.select { |one| one.target == "/fine" }.map(&:verb)
    assert_empty IronTrellis::Store::Postgres::Sql.run(
                   "SELECT code FROM faults_#{crawl.verdict_run.id} WHERE url NOT LIKE 'http://small.example%'"
                 ).values
    assert_equal 1, IronTrellis::Store::Reports::Trellis.new(crawl.verdict_run, "all").call[:pages]
  end
end
