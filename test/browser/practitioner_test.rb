# frozen_string_literal: true

require_relative "../test_helper"

# What a practitioner would do first on a site that is new: its address and one button, what is wrong by grade, titles
# with their lengths, who links to what is missing, a noindex decided and seen as soon as it stands there, sitemaps of
# what should be indexed.
class PractitionerTest < Minitest::Test
  include TestDatabase
  include Browser
  include SignedIn

  def setup
    super
    @domain = "shop-#{SecureRandom.hex(4)}.example"
    @pages = {
      "/" =>
        page_of("A small shop for ship's lamps and their spares", links: %w[/lamps/one /lamps/two /lamps/gone /terms]),
      "/lamps/one" => page_of("One", links: %w[/ /lamps/gone]),
      "/lamps/two" => page_of("Two lamps of brass, made by hand", links: %w[/ /lamps/one]),
      "/terms" => page_of("Terms and conditions of the shop", links: %w[/]),
      "/style.css" => [200, {"content-type" => "text/css"}, "body { margin: 0 }"]
    }
    @server = SmallSite.new({}) { |path| @pages[path] }
  end

  def page_of(title, links: [], head: "")
    words = (1..80).map { |number| "#{title[/\w+/].downcase}#{number}" }.join(" ")
    anchors = links.map { |path| "<a href=\"#{path}\">To #{path}</a>" }.join(" ")
    "<!doctype html><html lang=en><head><title>#{title}</title>#{head}<link rel=stylesheet " \
    "href=/style.css></head><body><main><h1>#{title}</h1><p>#{words}</p>#{anchors}</main></body></html>"
  end

  def test_from_a_bare_domain_to_sitemaps
    crawl_a_bare_domain
    causes_come_by_grade
    titles_with_their_lengths
    who_links_to_what_is_missing
    a_noindex_is_decided_and_seen
    sitemaps_list_documents_only
  end

  private

  def crawl_a_bare_domain
    visit "/new"
    find("section[aria-label='Where requests go'] > button").click
    fill_in "Send requests elsewhere", with: "#{@domain}:80 to 127.0.0.1:#{@server.port}"
    assert_empty accessibility_faults, "a new site"
    fill_in "Address of the site", with: @domain
    click_button "Crawl"
    assert_text "Crawl 1 is finished", wait: 60
    click_link "See where pages stop"
    assert_text "pages are stopped"
  end

  def causes_come_by_grade
    click_link "Faults"
    assert_text "Missing page"
    grades = all("ol[aria-label=Causes] > li > button > svg").map { |sign| sign["aria-label"] }
    assert_equal grades.sort_by { |grade| %w[stops diverts weakens].index(grade) }, grades
    assert_includes grades, "stops"
    find("button", text: "Link to a missing page").click
    assert_selector "table[aria-label='Where: Link to a missing page'] tbody tr", count: 2
    click_button "What is the same"
    assert_selector "table[aria-label='Gathered: Link to a missing page'] tbody tr", count: 1, text: %r{/lamps/\s*gone}
    assert_empty accessibility_faults, "faults gathered"
  end

  def titles_with_their_lengths
    click_link "Ledger"
    click_button "Title length"
    assert_selector "[role=row][aria-selected]:first-child", text: /One\s+3\b/
    assert_selector "[role=cell][title^='under 30 characters'] strong", text: "3"
    find("[role=columnheader]", text: /\AGroup/).hover
    find("[aria-label='More for Group']").click
    find("[role=menuitem]", text: "Count by this column").click
    assert_selector "table[aria-label='URLs by Group'] tr", text: %r{/lamps/\s+3}
    assert_empty accessibility_faults, "counted"
  end

  def who_links_to_what_is_missing
    click_link "Links"
    click_button "To missing pages"
    assert_text "2 links"
    rows = all("[role=row][aria-selected]", count: 2).map { |row| row.text.split("\n").reject(&:empty?).join(" ") }
    rows.each { |row| assert_match(%r{ To /lamps/gone .*404 main text}, row) }
    assert_empty accessibility_faults, "links"
    click_link "Images"
    assert_text "No image meets this."
  end

  def a_noindex_is_decided_and_seen
    click_link "Ledger"
    find("[role=row]", text: "Terms and conditions").click
    within("[role=dialog]") { click_button "Decide" }
    find("[role=menuitem]", text: "Should be kept out", exact_text: true).click
    assert_text '<meta name="robots" content="noindex">'
    click_button "Check now"
    assert_text "It isn’t as decided yet."
    @pages["/terms"] = page_of(
      "Terms and conditions of the shop",
      links: %w[/],
      head: '<meta name="robots" content="noindex">'
    )
    click_button "Check again"
    assert_text "It is as decided."
    assert_text "Lines of the source that decide"
    assert_empty accessibility_faults, "checked"
    press :escape
    press :escape
    assert_no_selector "[role=dialog]"
  end

  def sitemaps_list_documents_only
    site = IronTrellis::Store::Sites::Site.find_by(name: @domain)
    visit "/s/#{site.id}/c/latest/decide/sitemaps"
    assert_text "Decide first what should be indexed"
    IronTrellis::Work::Decisions::Decide.decide(
      site,
      "group",
      %w[/ /lamps/].map { |group| {"subject" => group, "value" => {"intent" => "index"}} },
      by: "Test",
      now: Time.now
    )
    visit "/s/#{site.id}/c/latest/decide/sitemaps?view=build"
    assert_text "3 URLs", wait: 30
    click_button "Build the set"
    assert_text "3 URLs in", wait: 30
    build = IronTrellis::Store::Sitemaps::SitemapBuild.where(site_id: site.id).last
    assert_equal %w[/ /lamps/one /lamps/two],
      build
        .files
        .flat_map { |file| unpacked(file).scan(%r{<loc>http://[^/]+(/[^<]*)</loc>}).flatten }
        .reject { |path| path.include?("sitemap") }
        .sort
  end

  def unpacked(file) = file.name.end_with?(".gz") ? Zlib.gunzip(file.content) : file.content
end
