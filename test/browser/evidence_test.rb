# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/gazetteer"

# What an index left out, from a file that is brought by hand to decisions that stand; then every screen of evidence.
class EvidenceScreensTest < Minitest::Test
  include TestDatabase
  include Browser
  include SignedIn

  WORDS = {
    "Fetched, not taken in" => "fetched and left out",
    "Same as another page" => "kept under another URL",
    "Leads elsewhere" => "redirects",
    "Not there" => "not found",
    "Heard of" => "known, not fetched yet",
    "Server failed" => "server failed",
    "Asked us not to" => "turned away by noindex",
    "Shut by robots.txt" => "turned away by robots.txt"
  }.freeze
  FIELDS = {"url (needed)" => "Page", "standing (needed)" => "What we say", "reason" => "Why"}.freeze

  def setup
    super
    @site = DemoCrawl.site(%w[www.skerrylamps.example])
  end

  def screen(name) = visit("/s/#{@site}/c/latest/#{name}")

  def test_a_sample_is_brought_by_hand_looked_at_sorted_and_accepted
    bring_the_sample
    screen "decide/standing"
    assert_text "By the evidence of"
    assert_empty accessibility_faults, "standing now"
    screen "decide/standing?view=out"
    click_button "Look at each now"
    assert_text "each URL looked at then", wait: 60
    assert_empty accessibility_faults, "left out"
    accept "Closed though it should be indexed"
    screen "decide/intent?view=exceptions"
    assert_text "left out by index"
    every_screen_of_evidence
  end

  private

  def bring_the_sample
    Tempfile.create(%w[left-out .csv]) do |file|
      file.write(GazetteerHere.export("left-out.csv"))
      file.flush
      screen "crawl/evidence"
      assert_text "What the site is judged by besides the crawl"
      assert_empty accessibility_faults, "sources"
      find("input[aria-label='Bring standings']", visible: :all).attach_file(file.path)
      FIELDS.each { |field, heading| select heading, from: field }
      WORDS.each { |word, state| select state, from: "“#{word}” means" if has_select?("“#{word}” means", wait: 0) }
      assert_empty accessibility_faults, "mapping"
      click_button "Take it over"
      assert_text "that no crawl has met", wait: 60
    end
    IronTrellis::Store::Sites::Site
      .find(@site)
      .newest_crawl
      .then do |crawl|
        60.times { crawl.reload.judged_again? ? sleep(0.5) : break }
        refute crawl.judged_again?, "it is judged again"
      end
  end

  def accept(tray)
    find("nav[aria-label=Classes] button", text: tray).click
    assert_selector "nav[aria-label=Classes] button[aria-pressed=true]", text: tray
    first("td button", text: "Open it").click
    assert_text "1 URL decided", wait: 20
  end

  def every_screen_of_evidence
    {
      "decide/standing?view=time" => "In numbers",
      "decide/review" => "those that meet least come first",
      "decide/standing?view=sitemaps" => "Published, but not sent",
      "read/queries" => "No query is known",
      "read/visits" => "No access log was brought yet",
      "plan/workplan?view=list" => "What is to be done, and why",
      "plan/requests" => "Nothing waits",
      "prove/alerts" => "Nothing has happened",
      "prove/report" => "What was wrong"
    }.each do |address, text|
      screen address
      assert_text text
      assert_empty accessibility_faults, address
    end
    screen "read/lists"
    fill_in "Paste URLs, one a line", with: "http://www.skerrylamps.example/about/\nhttp://www.skerrylamps.example/none"
    click_button "Join them"
    assert_text "1 found with or without the slash at the end", wait: 30
    assert_text "1 not known to the crawl"
    assert_empty accessibility_faults, "lists"
  end
end
