# frozen_string_literal: true

require_relative "../test_helper"

# The keyboard alone: stages, rows, the trellis' cells, the finder; and an address that is opened anew shows the same.
class KeyboardTest < Minitest::Test
  include TestDatabase
  include Browser
  include ReadSite

  def test_g_and_a_letter_go_to_a_stage_and_question_mark_lists_the_keys
    press "?"
    assert_text "go to Read"
    press :escape
    assert_no_text "go to Read"
    press "g", "c"
    assert_text "How fast it asks"
  end

  def test_cells_of_the_trellis_are_moved_between_with_arrows_and_opened_with_enter
    page.execute_script(
      "document.querySelector(\"[aria-label='/lamps/: 1 page stopped: blocked by robots.txt']\").focus()"
    )
    press :arrow_right
    assert_equal "/lamps/: 2 pages stopped: noindex",
      page.evaluate_script("document.activeElement.getAttribute('aria-label')")
    press :enter
    assert_text "2 of "
    assert_text "hb-6-quay"
  end

  def test_rows_of_the_ledger_are_moved_between_and_opened
    read "ledger?sort=-words"
    assert_selector "[role=row][aria-selected]", minimum: 10
    second = all("[role=row][aria-selected]")[1].text.lines.first.strip
    press "j"
    press :enter
    assert_selector "[role=dialog]"
    assert_includes find("[role=dialog] h2").text, second.split("/").last
    press :escape
    assert_no_selector "[role=dialog]"
  end

  def test_the_finder_narrows_the_ledger_and_its_address_can_be_kept
    press "/"
    press "anchor/al-30", :enter
    assert_text "URL contains anchor/al-30"
    address = page.current_url
    found = find("[aria-label=Totals]").text
    visit "/"
    visit address
    assert_equal found, find("[aria-label=Totals]", text: "of").text
  end

  # From the drop to a saved view without a pointer.
  def test_a_row_is_asked_about_picked_and_kept_as_a_view
    read "ledger?sort=-words"
    assert_selector "[role=row][aria-selected]", minimum: 10
    press "m"
    assert_selector "[role=menuitem]", text: "Narrow to this: URL is"
    press :escape
    press "j", "x", "j", "x"
    assert_text "2 URLs picked"
    focus "button", "Show only these"
    press :enter
    assert_text "URL is one of 2 chosen"
    focus "button", "Saved views"
    press :enter
    assert_selector "[role=menuitem]", text: "Save this view"
    # There may be views above it; they are passed by.
    press :end, :enter
    assert_field "Name of the view"
    press "Two long ones", :enter
    assert_no_field "Name of the view"
    read "ledger"
    focus "button", "Saved views"
    press :enter
    assert_selector "[role=menuitem]", text: "Two long ones"
    press "t", :enter
    assert_text "URL is one of 2 chosen"
  end
end
