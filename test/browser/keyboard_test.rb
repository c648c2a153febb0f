# frozen_string_literal: true

require_relative "../test_helper"

# The keyboard alone: stages, rows, the trellis' cells, the finder; and an address that is opened anew shows the same.
class KeyboardTest < Minitest::Test
  include TestDatabase
  include Browser

  PASSWORD = "trim the wick"

  def setup
    super
    IronTrellis::Store::User.register(email: "keys@example.test", name: "Keys", password: PASSWORD)
    @site = self.class.crawled
    visit "/"
    fill_in "E-mail", with: "keys@example.test"
    fill_in "Password", with: "#{PASSWORD}\n"
    assert_text "Keys"
    visit "/s/#{@site}/c/latest/read/trellis"
    assert_text "Where pages stop"
  end

  def self.crawled
    @crawled ||= begin
      settings = IronTrellis::Core::Settings::Crawl.new("start_urls" => ["http://www.skerrylamps.example/"], "rate" => 0,
        "resolve" => {"www.skerrylamps.example:80" => "127.0.0.1:#{SiteServer.skerry.port}"})
      site = IronTrellis::Store::Site.found(name: "keyboard #{SecureRandom.hex(6)}", settings: settings)
      crawl = IronTrellis::Work::Crawling.start(site, now: Time.now)
      sleep 0.1 until crawl.reload.ended?
      site.id
    end
  end

  def test_g_and_a_letter_go_to_a_stage_and_question_mark_lists_the_keys
    press "?"
    assert_text "go to Read"
    press :escape
    assert_no_text "go to Read"
    press "g", "c"
    assert_text "How fast it asks"
  end

  def test_cells_of_the_trellis_are_moved_between_with_arrows_and_opened_with_enter
    page.execute_script("document.querySelector(\"[aria-label='/lamps/: 1 page stops at allowed']\").focus()")
    press :arrow_right
    assert_equal "/lamps/: 2 pages stop at open", page.evaluate_script("document.activeElement.getAttribute('aria-label')")
    press :enter
    assert_text "2 of "
    assert_text "hb-6-quay"
  end

  def test_rows_of_the_ledger_are_moved_between_and_opened
    visit "/s/#{@site}/c/latest/read/ledger?sort=-words"
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
end
