# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/evidence_site"

# Links out that lead nowhere any more, by host, with what is known of each.
class LostHostsTest < Minitest::Test
  include TestDatabase
  include EvidenceSite
  include CrawlHere

  SMALL = "http://small.example"
  PAGES = {
    "/" => '<title>Home</title><a href="/a">a</a><a href="http://gone.invalid/x">the almanac</a>' \
      '<a href="http://gone.invalid/x"><img src=/i.png alt="its tables"></a><a href="http://gone.invalid/y"></a>',
    "/a" => '<title>A</title><a href="http://gone.invalid/x">almanac</a><a href="http://other.invalid/">other</a>' \
      '<a href="MAILTO:keeper@small.example?subject=x">write</a>'
  }.freeze

  def lost(crawl) = Store::MissingLinks::LostHosts.new(crawl.verdict_run).call

  def test_links_are_told_by_host_the_most_linked_first
    hosts = lost(crawled(PAGES, check_external: true))
    assert_equal [["gone.invalid", 3], ["other.invalid", 1]], hosts.map { |one| [one[:host], one[:links].size] }
    home, a, nameless = hosts.first[:links].values_at(0, 1, 2)
    assert_equal ["#{SMALL}/", "http://gone.invalid/x", nil], home.values_at("page", "target", "contact")
    assert_equal ["its tables", "the almanac"], home["anchor"].split(" / ").sort
    assert_equal ["#{SMALL}/a", "almanac", "keeper@small.example"], a.values_at("page", "anchor", "contact")
    assert_equal ["http://gone.invalid/y", nil], nameless.values_at("target", "anchor")
    assert_equal IronTrellis::Core::Url::NormalForm.id(@site.id, "#{SMALL}/a").to_s, a["page_id"]
  end

  # A crawl with that host among its own had fetched it.
  def test_what_an_earlier_crawl_saw_there_is_told
    pages = PAGES.merge("/x" => "<title>An almanac of tides</title>", "/robots.txt" => "")
    resolve = ->(server) { %w[small.example gone.invalid].to_h { |host| ["#{host}:80", "127.0.0.1:#{server.port}"] } }
    first = SmallSite.new(pages)
    crawled(pages, hosts: %w[gone.invalid], resolve: resolve.call(first))
    link = lost(crawled(PAGES, check_external: true)).first[:links].first
    assert_equal "An almanac of tides", link["stood_there"]
  end

  def test_without_checks_nothing_is_known_to_be_lost
    assert_empty lost(crawled(PAGES))
  end
end
