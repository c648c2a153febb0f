# frozen_string_literal: true

require_relative "../test_helper"

# A decision held against the site as it answers now, after it was crawled.
class CheckNowTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  AT = "http://small.example"

  def page(links: "", head: "") =
    "<!doctype html><html lang=en><head><title>A page of the small " \
    "site</title>\n#{head}\n</head><body><h1>Here</h1>#{links}</body></html>"

  def setup
    super
    @pages = {
      "/" => page(links: "<a href=/old>Old</a><a href=/a>A</a>"),
      "/a" => page(links: "<a href=/old>Old</a>"),
      "/old" => [301, {"location" => "/new"}, ""],
      "/new" => page
    }
    @site = SmallSite.new({}) { |path| @pages.fetch(path, [404, {}, ""]) }
    @crawl = crawl_here(@site)
  end

  def check(kind, subject, value)
    id = @crawl.site.decisions.decide(kind, {subject => value}, by: "Test", now: Time.now).first
    IronTrellis::Work::Decisions::CheckNow.new(@crawl).call(IronTrellis::Store::Decisions::Decision.find(id))
  end

  def test_a_noindex_is_confirmed_as_soon_as_it_stands_there_with_its_line
    first = check("intent", "#{AT}/a", {"intent" => "keep_out"})
    assert_equal [[false, "status 200, without noindex"]],
      first[:pages].map { |one| [one[:holds], one[:conditions].first[:found]] }

    @pages["/a"] = page(head: '<meta name="robots" content="noindex">')
    page = check("intent", "#{AT}/a", {"intent" => "keep_out", "follow" => true})[:pages].first
    assert page[:holds]
    assert_equal [[2, '<meta name="robots" content="noindex">']],
      page[:live][:lines]
        .select { |line| line[:tells].include?("directive") }
        .map { |line| line.values_at(:number, :text) }
  end

  def test_repointed_links_are_looked_for_on_the_pages_that_hold_them
    found = check("repoint", "#{AT}/old", {"target" => "#{AT}/new"})
    assert_equal({"#{AT}/" => false, "#{AT}/a" => false}, found[:pages].to_h { |one| one.values_at(:url, :holds) })

    @pages["/"] = page(links: "<a href=/new>New</a>")
    assert_equal(
      {"#{AT}/" => true, "#{AT}/a" => false},
      check("repoint", "#{AT}/old", {"target" => "#{AT}/new", "text" => "New"})[:pages].to_h do |one|
        one.values_at(:url, :holds)
      end
    )
  end

  def test_routes_groups_patterns_and_robots_txt
    assert_equal [true],
      check(
        "route",
        "#{AT}/old",
        {"to" => "#{AT}/new", "status" => 301, "kind" => "exact", "query" => "match"}
      )[
        :pages
      ].map { |one| one[:holds] }
    assert_equal [1, true],
      check("canonical", "/a*", {"target" => "#{AT}/new"}).then { |found|
        [found[:total], found[:pages].first[:conditions].any? { |one| one[:wanted] == "#{AT}/new" }]
      }
    assert_equal [false, "status 404, other lines"],
      check("robots", AT, {"text" => "User-agent: *\nDisallow: /a\n"})[:pages].first.then { |one|
        [one[:holds], one[:conditions].first[:found]]
      }
    assert_raises(IronTrellis::Core::Error::InvalidInput) { check("intent", "/nowhere*", {"intent" => "index"}) }
  end
end
