# frozen_string_literal: true

require_relative "../test_helper"

# Two crawls of a small site that changed in between, looked at.
class CompareScreenTest < Minitest::Test
  include TestDatabase
  include Browser
  include SignedIn
  include CrawlHere

  PAGE =
    "<!doctype html><html lang=en><head><title>%<title>s</title>%<head>s</head><body><main><h1>%<title>s</h1>" \
    "<p>#{(1..60).map { |number| "%<title>s#{number}" }.join(" ")}</p><a href=/a>a</a> <a href=/b>b</a></main></body>" \
    "</html>"

  def page_of(title, head = "") = format(PAGE, title: title, head: head)

  def setup
    super
    pages = {"/" => page_of("Home"), "/a" => page_of("Anchor"), "/b" => page_of("Beacon")}
    server = SmallSite.new(pages)
    first = crawl_here(server)
    first.update!(state: "finished")
    pages["/a"] = page_of("Anchor", "<meta name=robots content=noindex>")
    pages["/b"] = [404, {"content-type" => "text/html"}, "no"]
    @site = first.site_id
    crawl_here(server, site: first.site).update!(state: "finished")
  end

  def test_what_fell_is_counted_and_listed_and_the_faults_tell_their_trend
    visit "/s/#{@site}/c/latest/prove/compare"
    assert_text "2 fell", normalize_ws: true
    click_button "2 fell", match: :first
    assert_selector "a", text: %r{\A/\s*a\z}
    assert_text "nothing → noindex"
    assert_empty accessibility_faults, "compare"

    visit "/s/#{@site}/c/latest/read/faults"
    assert_text "Since crawl 1"
    assert_selector "button", text: /Missing page.*1 more/m
    assert_empty accessibility_faults, "faults"
  end
end
