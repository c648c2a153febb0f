# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/kept_site"

# From a fault to its proof through the screens: lay out, open a fix, have it applied, claim it, look, report.
class WorkplanScreensTest < Minitest::Test
  include KeptSite

  def test_fixes_are_laid_out_applied_claimed_and_proved
    lay_out
    what_if
    by_keyboard
    prove_canonicals
    look_at_the_rest
  end

  private

  def lay_out
    open_screen "plan/workplan?view=list"
    click_button "Make them anew"
    assert_text "What is to be done, and why", wait: 30
    open_screen "plan/workplan"
    click_button "Lay out"
    fill_in "Who works, and hours a day", with: "Ines 6\nTomas 4"
    click_button "See what it changes"
    assert_text(/\d+ fixes move/, wait: 30)
    click_button "Keep it"
    assert_no_selector "[role=dialog]", wait: 30
    assert_text(/\d+ fixes laid out/)
    assert_selector "section[aria-label=Ines] button", minimum: 3
    assert_empty accessibility_faults, "lanes"
  end

  def what_if
    click_button "What if …"
    fill_in "From", with: "2027-01-04"
    fill_in "To", with: "2027-01-08"
    click_button "See what it changes"
    assert_text(/fix(?:es)? moves?;/, wait: 30)
    click_button "Drop it"
    assert_no_selector "[role=dialog]"
  end

  # `l` locks the bar in focus, and lets it go.
  def by_keyboard
    first("section[aria-label=Ines] button").send_keys("l")
    assert_selector "section[aria-label=Ines] button[title*=locked]", wait: 30
    find("section[aria-label=Ines] button[title*=locked]").send_keys("l")
    assert_no_selector "button[title*=locked]", wait: 30
  end

  def prove_canonicals
    open_screen "plan/workplan?view=list"
    click_button(text: /\ACorrect canonical tags: \d+ pages/, match: :first)
    assert_text "What must hold"
    assert_empty accessibility_faults, "fix"
    click_button "Look now whether it holds"
    assert_selector "[aria-label='doesn’t hold']", wait: 30
    click_button "Apply on the stand-in"
    assert_button "Applied on the stand-in", wait: 30
    click_button "Say that it is done"
    click_button "Look now whether it holds"
    # That exact copies are gone only the next whole crawl can tell.
    assert_selector "[aria-label=holds]", wait: 30
  end

  def look_at_the_rest
    open_screen "prove/proofs"
    assert_selector "tr", text: /Correct canonical tags/
    assert_empty accessibility_faults, "proofs"
    open_screen "prove/report"
    assert_text "What it freed"
    numbers = find("section[aria-label='What was done']").text
    proved = IronTrellis::Store::Workplan::Fix.where(site_id: @site, state: "proved").count
    assert_match(/\A?#{proved} fix(?:es are| is) proved/, numbers.lines.grep(/proved: looked/).first)
    assert_empty accessibility_faults, "report"
    open_screen "plan/workplan?view=weeks"
    assert_text(/Week of .+ hours/)
    assert_empty accessibility_faults, "weeks"
  end
end
