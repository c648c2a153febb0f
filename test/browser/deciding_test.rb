# frozen_string_literal: true

require_relative "../test_helper"

# From what is wrong to what shall be, through the screens of the stage Decide; mostly by the keyboard.
class DecidingScreensTest < Minitest::Test
  include TestDatabase
  include Browser
  include SignedIn

  class << self
    attr_accessor :site_id
  end

  def setup
    super
    @site = DecidingScreensTest.site_id ||= DemoCrawl.site(%w[www.skerrylamps.example www.skerrylamper.example])
  end

  def decide(screen) = visit("/s/#{@site}/c/latest/decide/#{screen}")

  def test_intents_are_drafted_tried_decided_and_taken_back
    decide "intent"
    assert_text "have a proposal"
    assert_empty accessibility_faults, "intent"
    focus "button", "Take them all as drafts"
    press :enter
    assert_selector "button", text: /Decide \d+ drafts/
    assert_no_selector "button[aria-expanded]", text: "0 pages get a noindex", normalize_ws: true
    fill_in "Why", with: "Excerpts are no pages"
    focus "button", /Decide \d+ drafts/
    press :enter
    assert_text "All that is decided is in use.", wait: 40
    assert_no_text "have a proposal"

    decide "intent?view=directives"
    assert_text '<meta name="robots" content="noindex">'
    assert_empty accessibility_faults, "directives"
    decide "intent?view=exceptions"
    assert_text "/thank-you"
    assert_empty accessibility_faults, "exceptions"
    first("button", text: "Take back").click
    assert_text "taken back by Keys"
  end

  def test_a_draft_of_robots_txt_tells_what_it_would_change_before_it_is_kept
    decide "intent?view=robots"
    assert_text "They are the same."
    fill_in "Draft of robots.txt", with: "User-agent: *\nDisallow: /lamps/\nNoindx: /x\n"
    assert_text(/\d+ URLs become blocked, \d+ of them should be indexed/)
    assert_text "No crawler reads this: no crawler knows the word “noindx”."
    assert_empty accessibility_faults, "robots"
    click_button "Keep the draft"
    assert_text "(with a draft)"
    decide "intent?view=canonicals"
    fill_in "Page, or pattern of pages", with: "http://www.skerrylamps.example/lamps/*/print"
    fill_in "Its main version", with: "http://www.skerrylamps.example/$2"
    click_button "Choose it"
    assert_text "asks for part 2 of the address"
    assert_empty accessibility_faults, "canonicals"
  end

  def test_lost_addresses_are_routed_and_the_map_is_written
    decide "redirects"
    assert_text "nothing was decided yet about", wait: 20
    assert_text "it is the folder that the address was in", wait: 20
    assert_empty accessibility_faults, "broken"
    focus "button", "Tick all"
    press :enter
    focus "button", /Accept \d+ routes/
    press :enter
    assert_text "in the map", minimum: 3
    decide "redirects?view=observed"
    assert_text "page links", minimum: 1
    assert_empty accessibility_faults, "redirects"
    decide "redirects?view=repoint"
    assert_text "those that stand on most pages first"
    assert_empty accessibility_faults, "repoint"
    the_map_is_made_and_tested
  end

  def test_a_set_of_languages_is_made_whole
    decide "languages"
    assert_selector "td", text: "no return link", minimum: 1
    assert_empty accessibility_faults, "sets"
    assert_selector "pre", text: 'hreflang="x-default"'
    focus "button", "Decide for this set"
    press :enter
    assert_text "Decided by Keys"
    %w[unpaired codes layout].each do |view|
      decide "languages?view=#{view}"
      assert_selector "h2", minimum: 1
      assert_empty accessibility_faults, view
    end
    decide "languages?view=codes"
    fill_in "A language or a country", with: "Norwegian"
    assert_selector "[aria-label='Codes found'] li", text: /nb\s+Norwegian Bokm/
  end

  def test_sitemaps_are_built_and_a_file_is_checked
    decide "sitemaps"
    assert_selector "table[aria-label='Published sitemaps'] tr", minimum: 4
    assert_empty accessibility_faults, "published"
    decide "sitemaps?view=build"
    focus "button", "Build the set"
    press :enter
    assert_text(/Built .* URLs in \d+ files/, wait: 20)
    assert_empty accessibility_faults, "build"
    a_file_is_checked
  end

  private

  def the_map_is_made_and_tested
    decide "redirects?view=map"
    type "Address or pattern", "http://www.skerrylamps.example/guides/*"
    type "Target", "http://www.skerrylamps.example/help/$1"
    assert_text(/It takes \d+ known URLs, \d+ pages that live among them/)
    click_button "Add it to the map"
    assert_text "pattern, query kept"
    assert_empty accessibility_faults, "map"
    click_button "Test against the servers"
    assert_text(/of \d+ tested answer otherwise/, wait: 30)
    conf =
      page.evaluate_async_script(
        "fetch(arguments[0]).then((answer) => answer.text()).then(arguments[1])",
        find("a", text: "nginx")["href"]
      )
    assert_includes conf, "help/$1"
  end

  def a_file_is_checked
    decide "sitemaps?view=check"
    Tempfile.create(["map", ".xml"]) do |file|
      file.write(
        "<urlset xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\"><url><loc>/relative</loc></url></urlset>"
      )
      file.flush
      find("input[type=file]", visible: :all).set(file.path)
      assert_selector "table[aria-label='Faults of the file'] td", text: "Sitemap isn't well-formed"
    end
    assert_empty accessibility_faults, "check"
  end
end
