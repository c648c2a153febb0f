# frozen_string_literal: true

require_relative "../test_helper"

# As a user would: make the first account, set a site up, crawl it, watch, read the trellis, narrow the ledger, open a
# dossier.
class WalkTest < Minitest::Test
  include TestDatabase
  include Browser

  PASSWORD = "trim the wick"

  def test_from_the_first_start_to_a_dossier
    make_the_first_account
    set_up_a_site("Skerry #{SecureRandom.hex(6)}")
    assert_empty accessibility_faults, "setup"
    click_button "Crawl"
    watch_the_crawl
    read_the_trellis
    narrow_the_ledger
    open_a_dossier
    follow_a_cause
  end

  def test_bad_settings_are_told_at_their_fields_and_nothing_is_lost
    make_the_first_account
    find("section[aria-label='Where it begins'] > button").click
    fill_in "Name", with: "Half good"
    fill_in "Address of the site", with: "no address"
    click_button "Crawl"

    assert_text "“no address” is not a web address.", minimum: 1
    assert_field "Name", with: "Half good"
    assert_field "Address of the site", with: "no address"
  end

  def test_a_start_that_cannot_be_reached_is_told_in_words
    make_the_first_account
    set_up_a_site("Unreachable #{SecureRandom.hex(6)}", start: "http://nowhere.invalid/", resolve: "")
    click_button "Crawl"

    assert_text "is finished", wait: 30
    assert_text "http://nowhere.invalid/ could not be crawled: its host has no address"
  end

  private

  def make_the_first_account
    visit "/"
    assert_text "Nobody has an account here yet"
    assert_empty accessibility_faults, "first start"
    fill_in "Your name", with: "Ines"
    fill_in "E-mail", with: "ines@skerrylamps.example"
    fill_in "Password", with: PASSWORD
    click_button "Make the account"
    find("header") { |header| header.has_text?("Ines") }
    visit "/new"
  end

  def set_up_a_site(
    name,
    start: "http://www.skerrylamps.example/",
    resolve: "www.skerrylamps.example:80 to 127.0.0.1:#{SiteServer.skerry.port}"
  )
    assert_text "A new site"
    click_button "Open all"
    fill_in "Name", with: name
    fill_in "Address of the site", with: start
    fill_in "Send requests elsewhere", with: resolve
    fill_in "To be kept out", with: "/account/*\n/thank-you"
    fill_in "Requests a second", with: "60"
  end

  def watch_the_crawl
    assert_text(/Crawl 1 (is about to begin|is running)/)
    assert_text "Crawl 1 is finished", wait: 60
    assert_text(/\d+\s+2xx, answered/)
    assert_empty accessibility_faults, "live"
    click_link "See where pages stop"
  end

  def read_the_trellis
    assert_text "Where pages stop on their way into the index"
    assert_text(/16 of \d+ pages that should be indexed are stopped/)
    assert_empty accessibility_faults, "trellis"
    click_button "As a table"
    assert_text "Pages that are stopped, by cause and page group"
    assert_empty accessibility_faults, "trellis as a table"
    click_button "As a drawing"
    find("[aria-label='/lamps/: 2 pages stopped: noindex']").click
  end

  def narrow_the_ledger
    assert_text "2 of "
    rows = all("[role=row][aria-selected]", minimum: 2).map(&:text)
    assert_equal 2, rows.size
    assert(rows.any? { |row| row.include?("ms-55-copper") })
    assert_empty accessibility_faults, "ledger"
    click_button "+ Condition"
    fill_in "Column", with: "faults"
    find("li[role=option]", text: "faults", exact_text: true).click
    fill_in "Value", with: "stray-header"
    click_button "Narrow"
    assert_text "1 of "
    assert_text "hb-6-quay"
    page.go_back
    assert_text "2 of "
  end

  # From the cause to the page on which it is mended.
  def follow_a_cause
    click_link "Faults"
    assert_text "What is wrong, by cause"
    find("button", text: "Link to a redirect").click
    assert_text "Point the link straight at the final address."
    assert_empty accessibility_faults, "faults"
    within("table[aria-label='Where: Link to a redirect']") do
      assert_text "st-orrin"
      find("a", text: "oil-or-electric").click
    end
    assert_selector "[role=dialog]", text: "Oil or electric light on board"
    click_button "Close"
    click_link "6 URLs in the ledger"
    assert_text "6 of "
  end

  def open_a_dossier
    find("[role=row]", text: "ms-55-copper").click
    within "[role=dialog]" do
      assert_text "noindex in meta robots"
      assert_text "Page that should be indexed has noindex"
      assert_text "Links in (4)"
      assert_text "/lamps/masthead/"
      assert_text "content-type: text/html"
    end
    assert_empty accessibility_faults, "dossier"
    click_link "Enlarge"
    assert_text "How it is reached"
    assert_current_path(%r{/read/dossier\?url=-?\d+})
    assert_empty accessibility_faults, "dossier enlarged"
  end
end
