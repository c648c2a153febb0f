# frozen_string_literal: true

require_relative "../test_helper"

# What each setting does, seen from the server that is crawled.
class SettingsTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  def links(*hrefs, rel: nil) = hrefs.map { |href| "<a href=\"#{href}\"#{" rel=#{rel}" if rel}>#{href}</a>" }.join

  # @return [Array<String>] what was fetched
  def fetched(pages, **options)
    site = SmallSite.new(pages)
    @crawl = crawl_here(site, **options)
    site.targets
  end

  TREE = {
    "/" => "<a href=/a/>a</a><a href=/b/x>b</a>",
    "/a/" => "<a href=/a/deep>d</a>",
    "/a/deep" => "deep",
    "/b/x" => "x",
    "/b/y" => "y"
  }.freeze

  def test_start_urls_and_hosts
    assert_equal %w[/ /a/ /a/deep /b/x /b/y],
      fetched(TREE, start_urls: %w[http://small.example/ http://small.example/b/y]).sort
    site = SmallSite.new("/" => "<a href=http://other.example/o>o</a>", "/o" => "o")
    crawl_here(
      site,
      hosts: ["other.example"],
      resolve: {
        "small.example:80" => "127.0.0.1:#{site.port}",
        "other.example:80" => "127.0.0.1:#{site.port}"
      }
    )
    assert_includes site.targets, "/o"
  end

  def test_a_list_is_fetched_and_nothing_else_but_where_it_redirects
    pages = TREE.merge("/moved" => [301, {"location" => "/b/y"}, ""])

    assert_equal %w[/a/ /b/y /moved],
      fetched(pages, mode: "list", list: %w[http://small.example/a/ http://small.example/moved]).sort
    refute @crawl.whole?
  end

  SITEMAP = [
    200,
    {"content-type" => "application/xml"},
    "<urlset xmlns='http://www.sitemaps.org/schemas/sitemap/0.9'><url><loc>http://small.example/b/y</loc></url>" \
    "</urlset>"
  ].freeze

  def test_sitemaps_are_found_through_robots_txt_or_named_or_left_alone
    pages =
      TREE.merge(
        "/map.xml" => SITEMAP,
        "/robots.txt" => [200, {"content-type" => "text/plain"}, "Sitemap: http://small.example/map.xml"]
      )

    assert_includes fetched(pages), "/b/y"
    refute_includes fetched(pages, read_sitemaps: false), "/b/y"
    assert_includes fetched(TREE.merge("/map.xml" => SITEMAP), sitemaps: ["http://small.example/map.xml"]), "/b/y"
    assert_equal %w[/ /b/y /map.xml], fetched(pages, mode: "sitemaps").sort
  end

  def test_folders_and_patterns_narrow_what_is_fetched
    assert_equal %w[/ /a/ /a/deep], fetched(TREE, folders: ["/a/"])
    assert_equal %w[/ /b/x], fetched(TREE, include: ["/b/*"])
    assert_equal %w[/ /a/ /b/x], fetched(TREE, exclude: ["/deep$/"]).sort
  end

  def test_parameters_are_dropped_from_links
    pages = {"/" => links("/p?sid=1&c=red", "/p?c=red&sid=2", "/p?utm_source=x"), "/p" => "p"}

    assert_equal %w[/ /p /p?c=red], fetched(pages, drop_parameters: %w[sid utm_*]).sort
  end

  def test_a_pattern_may_be_capped
    pages = {"/" => links(*(1..9).map { |number| "/tags/#{number}" }, "/other")}

    asked = fetched(pages, caps: [{"pattern" => "/tags/*", "most" => 3}])
    assert_equal [3, true], [asked.grep(%r{/tags/}).size, asked.include?("/other")]
    assert_equal 6, rows_of(@crawl).values.count { |row| row["unfetched"] == "space" }
  end

  def test_an_endless_space_is_known_by_its_look_and_cut
    site = SmallSite.new("/" => links("/cal/2026/1")) do |path|
      year, month = path.scan(/\d+/).map(&:to_i)
      links((month == 12) ? "/cal/#{year + 1}/1" : "/cal/#{year}/#{month + 1}") if path.start_with?("/cal/")
    end
    crawl = crawl_here(site, trap_limit: 14)

    assert_equal 14, site.targets.grep(%r{/cal/}).size
    assert_equal [{"kind" => "calendar", "space" => "http://small.example/cal/#/#", "most" => 14}],
      IronTrellis::Store::Crawling::Spaces.named(crawl.id)
  end

  def test_limits_of_urls_depth_and_size
    assert_equal 2, fetched(TREE, limit: 2).size
    refute_includes fetched(TREE, max_depth: 1), "/a/deep"
    fetched({"/" => links("/big"), "/big" => "x" * 5000}, body_limit: 4000)
    assert_equal "too_large", rows_of(@crawl)["/big"]["error"]
  end

  def test_a_short_way_that_is_found_late_counts
    pages = {
      "/" => links("/slow", "/1"),
      "/slow" => ->(_) { sleep(0.4) && links("/page") },
      "/1" => links("/2"),
      "/2" => links("/page"),
      "/page" => links("/end"),
      "/end" => "end"
    }

    assert_includes fetched(pages, max_depth: 3), "/end"
  end

  def test_kinds_are_fetched_or_left
    pages = {
      "/" => "<img src=/i.png><script src=/s.js></script><link rel=stylesheet href=/c.css><a href=/d.pdf>pdf</a>"
    }

    assert_equal %w[/ /c.css /d.pdf /i.png /s.js], fetched(pages).sort
    assert_equal %w[/], fetched(pages, images: false, scripts: false, styles: false, pdfs: false)
    assert_equal "kind", rows_of(@crawl)["/d.pdf"]["unfetched"]
  end

  def test_links_to_other_hosts_are_checked_by_head_if_asked
    site = SmallSite.new("/" => "<a href=http://other.example/gone>o</a>")
    resolve = {"small.example:80" => "127.0.0.1:#{site.port}", "other.example:80" => "127.0.0.1:#{site.port}"}
    crawl_here(site, resolve: resolve)
    refute_includes site.targets, "/gone"
    crawl_here(site, resolve: resolve, check_external: true)

    assert_equal [%w[HEAD other.example]],
      site.requests.select { |one| one.target == "/gone" }.map { |one| [one.verb, one.host] }
  end

  def test_nofollow_is_kept_to_or_not
    pages = {"/" => links("/n", rel: "nofollow"), "/n" => "n"}

    refute_includes fetched(pages), "/n"
    assert_equal "nofollow", rows_of(@crawl)["/n"]["unfetched"]
    assert_includes fetched(pages, follow_nofollow: true), "/n"
  end

  def test_robots_txt_is_kept_to_for_the_agent_or_passed_over_and_said_so
    pages =
      TREE.merge(
        "/robots.txt" => [
          200,
          {"content-type" => "text/plain"},
          "User-agent: Otherbot\nDisallow: /b/\n\nUser-agent: *\nDisallow: /a/"
        ]
      )

    refute_includes fetched(pages), "/a/"
    refute_includes fetched(pages, agent: "Otherbot"), "/b/x"
    assert_includes fetched(pages, ignore_robots: true), "/a/"
    assert_equal [false, 200, "allowed"], rows_of(@crawl)["/a/"].values_at("robots_allowed", "status", "stop")
  end

  def test_the_agent_names_itself
    site = SmallSite.new("/" => "x")
    crawl_here(site, agent: "Lampbot")
    crawl_here(site, agent_header: "Lampbot/2.0 (+http://lamps.example/)")

    assert_equal ["Lampbot/0.1.0 (site audit)", "Lampbot/2.0 (+http://lamps.example/)"],
      site.requests.map { |one| one.headers["user-agent"] }.uniq
  end

  def test_no_more_requests_at_once_than_allowed
    site =
      SmallSite.new(
        {"/" => links(*(1..12).map { |number| "/#{number}" })}.merge(
          (1..12).to_h { |number| ["/#{number}", ->(_) { sleep(0.1) && "x" }] }
        )
      )
    crawl_here(site, concurrency: 3)

    assert_equal 3, site.most_at_once
  end

  # Requests may come late, never early.
  def test_requests_a_second_and_the_crawl_delay_of_robots_txt
    pages = {"/" => links(*(1..6).map { |number| "/#{number}" })}
    assert_operator mean_gap(pages, rate: 10, concurrency: 1), :>=, 0.095
    slow = pages.merge("/robots.txt" => [200, {"content-type" => "text/plain"}, "User-agent: *\nCrawl-delay: 0.3"])
    assert_operator mean_gap(slow), :>=, 0.29
    assert_operator mean_gap(slow, keep_crawl_delay: false), :<, 0.29
  end

  def mean_gap(pages, **options)
    site = SmallSite.new(pages)
    crawl_here(site, **options)
    began = site.requests.reject { |one| one.target == "/robots.txt" }.map(&:began).sort
    (began.last - began.first) / (began.size - 1)
  end

  def test_times_for_connection_first_byte_and_whole
    pages = {"/" => links("/late"), "/late" => ->(_) { sleep(0.8) && "late" }}
    fetched(pages, first_byte_seconds: 0.4, retries: 0)
    assert_equal "timeout", rows_of(@crawl)["/late"]["error"]
    fetched(pages, seconds: 0.4, retries: 0)
    assert_equal "timeout", rows_of(@crawl)["/late"]["error"]
    # 192.0.2.0/24 is kept for documentation (RFC 5737): packets to it are lost.
    crawl =
      crawl_here(SmallSite.new({}), resolve: {"small.example:80" => "192.0.2.1"}, connect_seconds: 0.3, retries: 0)
    assert_includes %w[timeout connect], IronTrellis::Store::Robots::RobotsFiles.all(crawl.id).first["error"]
  end

  def test_what_may_pass_is_tried_again_as_often_as_said
    asked = 0
    flaky = ->(_) do
      ((asked += 1) < 3) ? [503, {"content-type" => "text/html", "retry-after" => "0"}, "busy"] : "there"
    end
    fetched({"/" => flaky}, retries: 2)
    assert_equal [3, 200, 2],
      [asked, rows_of(@crawl)["/"]["status"], IronTrellis::Store::Crawling::Progress.of(@crawl).retried]
    asked = 0
    fetched({"/" => flaky}, retries: 0)
    assert_equal [1, 503], [asked, rows_of(@crawl)["/"]["status"]]
  end

  def test_private_addresses_are_refused_unless_allowed
    site = SmallSite.new("/" => "x")
    crawl_here(site, start_urls: ["http://127.0.0.1:#{site.port}/"], resolve: {})
    assert_empty site.requests
    crawl_here(site, start_urls: ["http://127.0.0.1:#{site.port}/"], resolve: {}, allow_private: true)
    assert_equal ["/"], site.targets
  end

  def test_secrets_go_to_hosts_in_scope_and_to_nobody_else
    site = SmallSite.new("/" => "<a href=http://other.example/o>o</a>")
    crawl_here(
      site,
      check_external: true,
      resolve: {
        "small.example:80" => "127.0.0.1:#{site.port}",
        "other.example:80" => "127.0.0.1:#{site.port}"
      },
      secrets: {
        "user" => "ines",
        "password" => "wick",
        "cookies" => "a=1; b=2",
        "headers" => ["X-Staging: yes"]
      }
    )

    sent = site.requests.find { |one| one.target == "/" }.headers
    assert_equal ["Basic #{["ines:wick"].pack("m0")}", "a=1; b=2", "yes"],
      sent.values_at("authorization", "cookie", "x-staging")
    assert_empty site.requests.select { |one| one.host == "other.example" }.flat_map { |one| one.headers.keys } &
      %w[authorization cookie x-staging]
  end

  def test_a_crawl_of_some_urls_only_is_partial_and_tells_no_orphans
    pages = TREE
    site = SmallSite.new(pages)
    crawl = crawl_here(site, urls: ["http://small.example/b/y"])

    assert_equal ["/b/y"], site.targets
    assert_equal [false, nil, "distinct", []],
      [
        crawl.whole?,
        *rows_of(crawl)["/b/y"].values_at("depth", "stop"),
        rows_of(crawl)["/b/y"]["faults"] & %w[orphan]
      ]
  end

  def test_every_setting_has_its_test
    # Where a crawl begins, and which are kept, have tests of their own.
    files = %w[settings tls_and_proxy rendered_crawl]
    here = files.map { |name| File.read(File.join(__dir__, "#{name}_test.rb")) }.join

    assert_empty(
      IronTrellis::Core::Settings::Crawl::FIELDS.keys.reject do |name|
        here.match?(/\b#{name}:/) || %w[start_urls keep_crawls].include?(name)
      end
    )
    assert_empty(IronTrellis::Core::Settings::Secrets::NAMES.reject { |name| here.include?("\"#{name}\" =>") })
  end
end
