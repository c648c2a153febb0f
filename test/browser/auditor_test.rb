# frozen_string_literal: true

require_relative "../test_helper"
require "csv"

# As an auditor works: from the biggest drop of the trellis to its cause, the linking pages, one page's deciding line, a
# saved view, and a file that says the same as the screen.
class AuditorTest < Minitest::Test
  include TestDatabase
  include Browser
  include ReadSite

  # As the screen calls what stops a page.
  CAUSES = {"open" => "noindex", "allowed" => "blocked by robots.txt"}.freeze

  def test_from_the_biggest_drop_to_a_file
    follow_the_biggest_drop
    see_the_cause_and_the_pages_that_link
    read_the_deciding_line
    keep_a_view
    compare_the_file_with_the_screen
  end

  def test_the_structure_is_drawn_and_leads_to_its_pages
    read "structure"
    assert_text "How the site hangs together"
    assert_empty accessibility_faults, "structure"
    click_button "As a table"
    assert_selector "table[aria-label='Streams of authority between page groups'] tr", minimum: 5
    pages = find("li", text: "1 click").find("a").text.to_i
    find("li", text: "1 click").find("a").click
    assert_includes find("[aria-label=Totals]", text: "of").text, "#{pages} of"
  end

  def test_groups_are_proposed_kept_and_judged_by_without_another_crawl
    read "groups"
    assert_text "What pages are judged by"
    click_button "Add a group"
    find("[aria-label='Name of group 1']").set("Guides")
    find("[aria-label='Pattern of Guides']").set("/guides/*")
    assert_selector "li", text: "12"
    find("[aria-label='The longest title in characters']").set("20")
    assert_empty accessibility_faults, "groups"
    click_button "Save and judge again"
    assert_text "All of this is in use.", wait: 40
    read "trellis"
    assert_text "Guides"
    read "groups"
    find("[aria-label='Remove Guides']").click
    find("[aria-label='The longest title in characters']").send_keys([:control, "a"], :backspace)
    click_button "Save and judge again"
    assert_text "All of this is in use.", wait: 40
  end

  def test_a_site_with_one_crawl_has_nothing_to_compare
    visit "/s/#{@site}/c/latest/prove/compare"
    assert_text "Nothing to compare yet"
    assert_empty accessibility_faults, "compare"
  end

  private

  def follow_the_biggest_drop
    drops =
      all("[aria-label*=' stopped: ']", minimum: 3).to_h do |cell|
        [cell["aria-label"], cell["aria-label"][/: (\d+) pages/, 1].to_i]
      end
    label, pages = drops.max_by(&:last)
    find("[aria-label='#{label}']").click
    assert_includes find("[aria-label=Totals]", text: "of").text, "#{pages} of"
  end

  def see_the_cause_and_the_pages_that_link
    click_link "Faults"
    find("button", text: "Link to a redirect").click
    assert_text "Page with the link"
    within("table[aria-label='Where: Link to a redirect']") { first("a").click }
    assert_selector "[role=dialog]", text: "Links in"
  end

  def read_the_deciding_line
    assert_text "Source, as it was fetched"
    click_button "Show the lines that decide"
    assert_selector "pre[aria-label=Source]", text: "<link rel=\"canonical\""
    click_button "Fetch as a browser"
    assert_text(/The same as was stored|Otherwise than stored/)
    assert_empty accessibility_faults, "dossier"
    click_button "Close"
  end

  def keep_a_view
    read "ledger?where=#{CGI.escape(JSON.generate(all: [{any: [
      {field: "stop", op: "is", value: "open"}, {field: "stop", op: "is", value: "allowed"}
    ]}]))}&cols=url,status,stop,words,faults"
    assert_text "stopped by is noindex or stopped by is blocked by robots.txt", normalize_ws: true
    click_button "Saved views"
    find("[role=menuitem]", text: "Save this view").click
    fill_in "Name of the view", with: "Shut out"
    click_button "Save"
    assert_no_field "Name of the view"
    read "ledger?cols=url"
    click_button "Saved views"
    find("[role=menuitem]", text: "Shut out").click
    assert_text "stopped by is noindex", normalize_ws: true
  end

  def compare_the_file_with_the_screen
    rows =
      all("[role=row][aria-selected]", minimum: 4).map do |row|
        row.all("[role=cell]", visible: :all).map { |cell| cell.text.delete("\n") }
      end
    click_button "Export"
    href = find("[role=menuitem]", text: "CSV")["href"]
    csv =
      CSV.parse(
        page.evaluate_async_script("fetch(arguments[0]).then((answer) => answer.text()).then(arguments[1])", href),
        headers: true
      )
    assert_equal %w[url status stop words faults], csv.headers
    shown =
      csv.map do |row|
        [
          row["url"].delete_prefix("http://www.skerrylamps.example"),
          row["status"].to_s,
          CAUSES.fetch(row["stop"]),
          row["words"].to_s
        ]
      end
    assert_equal shown, rows.map { |row| row.first(4) }
    press :escape
    assert_no_selector "[role=menuitem]"
    assert_empty accessibility_faults, "ledger"
  end
end
