# frozen_string_literal: true

require_relative "../test_helper"

# The rules of the site as a whole: its files, its hosts, its spaces.
class SiteRulesTest < Minitest::Test
  Faults = IronTrellis::Core::Faults
  CODES = %w[
    crawl-trap
    facts-differ
    host-variants
    hreflang-none
    insecure
    missing-page-bare
    robots-no-sitemap
    robots-syntax
    robots-too-big
    robots-unreadable
    section-broken
    sitemap-date
    sitemap-duplicate
    sitemap-field
    sitemap-malformed
    sitemap-nested-index
    sitemap-none
    sitemap-off-host
    sitemap-too-big
    sitemap-too-many
    sitemap-unreadable
    sitemap-unwanted-group
    sitemap-value
  ].freeze

  HOME = "http://a.test/"
  ROBOTS = {
    "origin" => "http://a.test",
    "status" => 200,
    "error" => nil,
    "body" => "User-agent: *\nDisallow: /x\nSitemap: http://a.test/s.xml\n"
  }.freeze
  FILE = {
    "url" => "http://a.test/s.xml",
    "parent" => "http://a.test/robots.txt",
    "kind" => "urlset",
    "status" => 200,
    "error" => nil,
    "entries" => 3,
    "faults" => [],
    "unwanted" => 0,
    "groups" => []
  }.freeze
  PROBE = {
    "authority" => "a.test",
    "kind" => "missing",
    "url" => "http://a.test/not-there",
    "status" => 404,
    "error" => nil,
    "location" => nil,
    "links" => 2
  }.freeze

  def told(code, **changes)
    sound = {
      home: HOME,
      reads_sitemaps: true,
      robots: [ROBOTS],
      sitemaps: [FILE],
      probes: [PROBE],
      spaces: [],
      broken_sections: [],
      odd_facts: [],
      serving: ["http://a.test"],
      languages: {
        "en" => 9
      },
      names_languages: false
    }
    Faults::Registry
      .fetch(code)
      .new(IronTrellis::Core::Settings::Thresholds.default)
      .check(Faults::SiteEvidence.new(**sound, **changes))
      .map { |fault| [fault.url, fault.about] }
  end

  def flawed(code, line, about) = FILE.merge("faults" => [{"code" => code, "line" => line, "about" => about}])

  def test_all_are_silent_on_a_sound_site
    CODES.each { |code| assert_empty told(code), code }
  end

  def test_robots_files
    shut = ROBOTS.merge("status" => 503, "body" => nil)
    assert_equal [["http://a.test/robots.txt", nil]], told("robots-unreadable", robots: [shut])
    assert_empty told(
      "robots-unreadable",
      robots: [ROBOTS.merge("status" => 404), ROBOTS.merge("status" => nil, "error" => "dns")]
    )
    assert_equal [["http://a.test/robots.txt", nil]],
      told(
        "robots-no-sitemap",
        robots: [
          ROBOTS.merge("body" => "User-agent: *\n"),
          ROBOTS.merge("origin" => "http://b.test", "body" => "")
        ]
      )
    assert_empty told("robots-no-sitemap", robots: [ROBOTS.merge("body" => ""), ROBOTS])
    assert_equal [["http://a.test/robots.txt", nil]],
      told("robots-too-big", robots: [ROBOTS.merge("body" => "#" * 512_001)])
    assert_empty told("robots-too-big", robots: [ROBOTS.merge("body" => "#" * 512_000)])
  end

  def test_lines_of_robots_txt_that_nobody_reads
    text =
      "Disallow: /early\nUser-agent: *\nDisallow: x\n# note\nNoindex: /y\nhello\nDisallow:\nAllow: *.gif$ # " \
      "fine\nCrawl-delay: 2\nSitemap: /s.xml\nUser-agent:\n"
    assert_equal [1, 3, 5, 6, 10, 11], IronTrellis::Core::Robots::Syntax.flaws(text).map(&:line)
    fault =
      Faults::Registry
        .fetch("robots-syntax")
        .new(nil)
        .check(Faults::SiteEvidence.new(robots: [ROBOTS.merge("body" => "\nhello\n")]))
        .first
    assert_equal ["2", "hello"], [fault.about, Faults::Rules::RobotsSyntax.identity(fault)]
  end

  def test_hosts_that_answer_under_other_addresses
    secure = PROBE.merge("kind" => "scheme", "url" => "https://a.test/", "status" => 200)
    bare = PROBE.merge("kind" => "www", "url" => "http://www.a.test/", "status" => 200)
    assert_equal [[HOME, "https://a.test/"], [HOME, "http://www.a.test/"]],
      told("host-variants", probes: [secure, bare])
    assert_equal [[HOME, "https://a.test/"]], told("insecure", probes: [secure, bare])
    assert_empty told(
      "host-variants",
      probes: [
        secure.merge("status" => 301, "location" => HOME),
        bare.merge("status" => nil, "error" => "connect")
      ]
    )
    assert_empty told("insecure", probes: [bare])
    # The host that sends its visitors on is not the one that shall: only where both serve pages is there a choice to be
    # made.
    [%w[host-variants], %w[insecure]].each do |(code)|
      assert_empty told(code, probes: [secure, bare], serving: ["https://a.test"])
    end
    sent =
      %w[http://www.a.test/ https://a.test/ http://b.test/].map do |target|
        bare.merge("status" => 301, "location" => target)
      end
    assert_equal [[], [], [[HOME, "http://www.a.test/"]]], sent.map { |probe| told("host-variants", probes: [probe]) }
    both = [bare, bare.merge("authority" => "www.a.test", "url" => HOME)]
    assert_equal 1, told("host-variants", probes: both, serving: ["http://a.test", "http://www.a.test"]).size
    temporary =
      Faults::Registry
        .fetch("host-variants")
        .new(nil)
        .check(
          Faults::SiteEvidence.new(
            probes: [bare.merge("status" => 302, "location" => HOME)],
            serving: ["http://a.test"]
          )
        )
        .first
    assert_equal({answers: "by a redirect that is temporary", status: 302, location: HOME}, temporary.detail)
    assert_equal(
      {"scheme" => "https://www.a.test/", "www" => "http://a.test/"},
      IronTrellis::Core::Crawling::HostVariants.of("http://www.a.test")
    )
    assert_empty IronTrellis::Core::Crawling::HostVariants.of("http://127.0.0.1:8080")
  end

  def test_several_languages_and_none_of_them_named
    assert_equal [[HOME, "da, en"]], told("hreflang-none", languages: {"en" => 9, "da" => 2, "pt" => 1})
    assert_empty told("hreflang-none", languages: {"en" => 9, "da" => 1})
    assert_empty told("hreflang-none", languages: {"en" => 9, "da" => 9}, names_languages: true)
  end

  def test_a_robots_txt_that_is_a_page_is_told_of_once
    page = "<!DOCTYPE html>\n<html>\n<body>\nNot found\n</body>\n</html>\n"
    assert_equal [["http://a.test/robots.txt", "1"]], told("robots-syntax", robots: [ROBOTS.merge("body" => page)])
  end

  def test_a_missing_page_without_a_way_on
    assert_equal [[HOME, "http://a.test/not-there"]], told("missing-page-bare", probes: [PROBE.merge("links" => 0)])
    assert_empty told("missing-page-bare", probes: [PROBE.merge("links" => 0, "status" => 200)])
  end

  def test_sitemap_files
    assert_equal [[HOME, nil]], told("sitemap-none", sitemaps: [])
    assert_empty told("sitemap-none", sitemaps: [], reads_sitemaps: false)
    assert_equal [[FILE["url"], nil]],
      told("sitemap-unreadable", sitemaps: [FILE.merge("status" => 404, "kind" => nil)])
    %w[sitemap-date sitemap-field sitemap-malformed sitemap-value].each do |code|
      assert_equal [[FILE["url"], "7"]], told(code, sitemaps: [flawed(code, 7, "x")])
    end
    %w[sitemap-too-big sitemap-too-many].each do |code|
      assert_equal [[FILE["url"], nil]], told(code, sitemaps: [flawed(code, nil, "x")])
    end
    assert_equal [["http://a.test/1", FILE["url"]]],
      told("sitemap-duplicate", sitemaps: [flawed("sitemap-duplicate", 9, "http://a.test/1")])
    assert_equal [[FILE["url"], "/tags/"]],
      told("sitemap-unwanted-group", sitemaps: [FILE.merge("unwanted" => 3, "groups" => ["/tags/"])])
    assert_empty told("sitemap-unwanted-group", sitemaps: [FILE.merge("unwanted" => 2)])
  end

  def test_an_index_in_an_index
    outer = FILE.merge("url" => "http://a.test/i.xml", "kind" => "index")
    inner = FILE.merge("kind" => "index", "parent" => outer["url"])
    assert_equal [[outer["url"], inner["url"]]], told("sitemap-nested-index", sitemaps: [outer, inner])
    assert_empty told("sitemap-nested-index", sitemaps: [outer, inner.merge("kind" => "urlset")])
  end

  def test_another_host_may_be_listed_by_a_file_that_its_robots_txt_names
    off = flawed("sitemap-off-host", 3, "http://b.test/1")
    assert_equal [["http://b.test/1", FILE["url"]]], told("sitemap-off-host", sitemaps: [off])
    assert_empty told("sitemap-off-host", sitemaps: [off.merge("parent" => "http://b.test/robots.txt")])
    index = FILE.merge("url" => "http://a.test/i.xml", "kind" => "index", "parent" => "http://b.test/robots.txt")
    assert_empty told("sitemap-off-host", sitemaps: [index, off.merge("parent" => index["url"])])
  end

  def test_a_section_is_told_once
    urls = %w[http://a.test/v/2 http://a.test/v/1]
    section = IronTrellis::Core::Redirects::BrokenSections::Section.new(shape: "/v/#", urls: urls)
    assert_equal [["http://a.test/v/1", "/v/#"]], told("section-broken", broken_sections: [section])
  end

  def test_spaces_without_end_and_facts_that_differ
    assert_equal [%w[http://a.test/c?day=1 http://a.test/c?day=#]],
      told(
        "crawl-trap",
        spaces: [
          {
            "space" => "http://a.test/c?day=#",
            "kind" => "calendar",
            "most" => 250,
            "first_url" => "http://a.test/c?day=1"
          }
        ]
      )

    facts = IronTrellis::Core::StructuredData::BusinessFacts.new
    item = ->(telephone) do
      IronTrellis::Core::StructuredData::Item.new(
        syntax: "json-ld",
        types: ["LocalBusiness"],
        properties: {
          "name" => ["Skerry Lamps"],
          "telephone" => [telephone]
        }
      )
    end
    {"1" => "+44 1", "2" => "+44 1", "3" => "00442"}.each do |page, telephone|
      facts.add("http://a.test/#{page}", [item.call(telephone)])
    end
    assert_equal [["http://a.test/3", "00442"]], told("facts-differ", odd_facts: facts.odd)
  end
end
