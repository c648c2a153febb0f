# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/gazetteer"
require_relative "../support/keepers"

# From a phrase to a page that says it, through the screens: choose, fetch the rivals, read what is missing, write, see
# what that changes, hand over, have it applied, crawl, proved.
class DeskScreensTest < Minitest::Test
  include TestDatabase
  include Browser
  include SignedIn

  Store = IronTrellis::Store
  WWW = "http://www.skerrylamps.example"
  PAGE = "#{WWW}/lamps/anchor/al-30-brass"
  RIVALS = %w[www.northlight-lanterns.example www.tidewright.example www.beaconyard.example
    www.old-harbour-stores.example].freeze
  TITLE = "Anchor light AL-30 of brass, for oil | Skerry Lamp Works"

  def setup
    super
    @keepers = Keepers.new
    @site = DemoCrawl.site(server: @keepers.server)
    site = Store::Sites::Site.find(@site)
    resolve = RIVALS.to_h { |host| ["#{host}:80", "127.0.0.1:#{@keepers.server.port}"] }
    site.update!(settings: site.settings.merge("resolve" => site.settings["resolve"].merge(resolve)))
    Store::Evidence::Index.create!(site: site, name: "Gazetteer", address: "http://127.0.0.1:#{GazetteerHere.port}")
  end

  def screen(name) = visit("/s/#{@site}/c/latest/#{name}")

  def test_a_page_is_written_for_a_phrase_and_proved
    choose_a_phrase_and_rivals
    write
    fix = hand_over
    apply_and_crawl(fix)
  end

  private

  def choose_a_phrase_and_rivals
    screen "decide/desk"
    fill_in "Address or title", with: "al-30-brass"
    find("button[aria-label='Work on #{PAGE}']").click
    assert_text "To be found for"
    assert_empty accessibility_faults, "desk"
    fill_in "Phrase", with: "anchor light"
    click_button "Add", exact: true
    click_button "Ask the index"
    click_button "Hold against all of other sites"
    assert_selector "table[aria-label=Rivals] tbody tr", minimum: 4
    click_button "Fetch page and rivals"
    assert_no_selector "table[aria-label=Rivals] td", text: "not yet", wait: 60
    assert_selector "section[aria-label='What is missing'] strong", text: "oil"
  end

  def write
    before = fit
    fill_in "Title", with: TITLE
    fill_in "H1", with: "The AL-30 anchor light in brass"
    fill_in find("label", text: "Alt text of").text, with: "An anchor light of brass, lit"
    assert_text "As drafted", wait: 20
    assert_text(/as drafted \d+/, wait: 20)
    assert_operator find("section[aria-label=Fit] [role=status]").text[/as drafted (\d+)/, 1].to_i, :>, before
    click_button "Draw the page with its draft"
    assert_selector "img[alt='The page with its draft']", wait: 60
    assert_empty accessibility_faults, "drafted"
  end

  def fit = find("section[aria-label=Fit] [role=status]").text[/Meets (\d+)/, 1].to_i

  def hand_over
    assert_text "The draft is kept.", wait: 20
    click_button "Hand over"
    assert_text(/Handed over as F\d+/, wait: 20)
    Store::Workplan::Fix.where(site_id: @site, hand_made: true).last
  end

  def apply_and_crawl(fix)
    screen "plan/workplan?view=list&state=handed+over"
    click_button(text: fix.title)
    assert_text "its title is “#{TITLE}”"
    click_button "Apply on the stand-in"
    assert_button "Applied on the stand-in", wait: 30
    click_button "Say that it is done"
    assert_text "Take it up again", wait: 20
    screen "crawl/setup"
    click_button "Save and crawl"
    assert_text "Crawl 2 is finished", wait: 90
    1_500.times { (fix.reload.state == "proved") ? break : sleep(0.2) }
    assert_equal "proved", fix.state, fix.proof.inspect
    screen "prove/proofs"
    assert_selector "tr", text: fix.title
  end
end
