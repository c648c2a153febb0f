# frozen_string_literal: true

require_relative "../test_helper"

# The Setup screen as its users work with it: trying patterns and robots.txt, pausing, fetching some URLs again, a
# timetable.
class SetupTest < Minitest::Test
  include TestDatabase
  include Browser

  PASSWORD = "trim the wick"

  def setup
    super
    IronTrellis::Store::Accounts::User.register(email: "setup@example.test", name: "Setter", password: PASSWORD)
    visit "/"
    fill_in "E-mail", with: "setup@example.test"
    fill_in "Password", with: "#{PASSWORD}\n"
    assert_text "Setter"
  end

  def site(**settings)
    values = {
      "start_urls" => ["http://www.skerrylamps.example/"],
      "rate" => 0,
      "resolve" => {
        "www.skerrylamps.example:80" => "127.0.0.1:#{SiteServer.skerry.port}"
      }
    }
    IronTrellis::Store::Sites::Site.register(
      name: "setup #{SecureRandom.hex(6)}",
      settings: IronTrellis::Core::Settings::Crawl.new(values.merge(settings.transform_keys(&:to_s)))
    )
  end

  # A row of the table, cell by cell.
  def assert_says(*cells) = assert_selector("tr", text: /\A#{cells.map { |cell| Regexp.escape(cell) }.join("\\s+")}\z/)

  def open_section(title) = find("section[aria-label='#{title}'] > button").click

  def test_patterns_are_tried_on_urls_as_they_are_typed
    visit "/s/#{site.id}/c/latest/crawl/setup"
    type "URLs to try",
      "http://www.skerrylamps.example/lamps/x?sid=1\nhttp://www.skerrylamps.example/journal/y\n" \
      "http://other.example/\nlamps"
    assert_text "2 of 4 URLs would be fetched"
    assert_text "the host other.example is not in scope"
    assert_text "it is not a web address"
    open_section "What belongs to it"
    fill_in "Don’t fetch", with: "*/journal/*"
    assert_text "1 of 4 URLs would be fetched"
    assert_text "left out by */journal/*"
    fill_in "Parameters to drop", with: "sid"
    assert_text "read without what is dropped"
    fill_in "Don’t fetch", with: "/(/"
    assert_text "The pattern /(/ can't be read"
    assert_empty accessibility_faults, "setup with a trial"
  end

  def test_pages_of_the_newest_crawl_are_tried_along_and_its_settings_can_be_copied
    crawled = site(exclude: ["/journal/*"])
    crawl = IronTrellis::Work::Crawling::Runs.start(crawled, now: Time.now)
    sleep 0.1 until crawl.reload.ended?
    crawled.update!(
      settings: IronTrellis::Core::Settings::Crawl.new(crawled.settings.merge("exclude" => [], "rate" => 3)).to_h
    )
    visit "/s/#{crawled.id}/c/latest/crawl/setup"
    assert_text(/of \d\d+ URLs would be fetched/)
    assert_text "3 requests a second"
    click_button "Copy settings of a crawl"
    find("li[role=menuitem]", text: "Crawl 1").click
    assert_text "1 pattern not fetched"
    assert_text "as fast as the host answers"
  end

  def test_robots_txt_is_tried_live_and_as_a_draft
    visit "/s/#{site.id}/c/latest/crawl/setup"
    open_section "Who asks, and robots.txt"
    click_button "Try robots.txt"
    fill_in "URLs or paths", with: "/account/orders\n/lamps/spares/lens-barrel-clear"
    click_button "Fetch the live file and try it"
    assert_says "/account/orders", "disallowed", "3: Disallow: /account/"
    assert_says "/lamps/spares/lens-barrel-clear", "allowed", "8: Allow: /lamps/spares/lens"
    fill_in "The file", with: "User-agent: *\nDisallow: /lamps/"
    click_button "Try this file"
    assert_says "/account/orders", "allowed", "none"
    assert_says "/lamps/spares/lens-barrel-clear", "disallowed", "2: Disallow: /lamps/"
    assert_empty accessibility_faults, "robots.txt"
  end

  def test_a_timetable_says_when_it_comes_next_and_is_kept
    made = site
    visit "/s/#{made.id}/c/latest/crawl/setup"
    open_section "Again by itself"
    find("label", text: "Crawl again on a timetable").click
    click_button "every day"
    fill_in "Time zone", with: "Europe/Lisbon"
    assert_text "Next: "
    fill_in "Cron line", with: "* * * * *"
    assert_text "is more often than once an hour"
    fill_in "Cron line", with: "15 5 * * tue"
    click_button "Save"
    assert_text "Saved."
    assert_equal ["15 5 * * tue", "Europe/Lisbon"], [made.reload.timetable.cron, made.timetable.time_zone]
  end

  def test_secrets_come_back_hidden_and_stay_when_the_form_is_saved
    made = site
    visit "/s/#{made.id}/c/latest/crawl/setup"
    open_section "Sign-in for staging"
    fill_in "User", with: "ines"
    fill_in "Password", with: "wick"
    click_button "Save"
    assert_text "Saved."
    visit "/s/#{made.id}/c/latest/crawl/setup"
    open_section "Sign-in for staging"
    assert_field "Password", with: IronTrellis::Core::Settings::Secrets::HIDDEN
    fill_in "Cookies", with: "a=1"
    click_button "Save"
    assert_text "Saved."
    assert_equal %w[ines wick a=1],
      IronTrellis::Store::Settings::Secrets.of(made.id).to_h.values_at("user", "password", "cookies")
    refute_includes IronTrellis::Store::Postgres::Sql.rows(
      "SELECT content FROM secrets WHERE site_id = $1",
      [made.id]
    ).to_s,
      "wick"
  end

  def test_a_crawl_is_paused_resumed_and_some_of_its_urls_are_fetched_again
    slow = site(rate: 25)
    crawl = IronTrellis::Work::Crawling::Runs.start(slow, now: Time.now)
    visit "/s/#{slow.id}/c/latest/crawl/live"
    assert_text "Crawl 1 is running"
    click_button "Pause"
    assert_text "Crawl 1 is paused"
    fetched = paused_at(crawl)
    page.driver.browser.navigate.refresh
    assert_text "Crawl 1 is paused"
    assert_equal fetched, IronTrellis::Store::Crawling::Progress.of(crawl.reload).fetched
    click_button "Resume"
    assert_text "Crawl 1 is finished", wait: 60
    assert_text "Pages a second"
    assert_empty accessibility_faults, "live"
    fetch_again(slow)
  end

  private

  # What was begun when it was paused still comes in.
  def paused_at(crawl)
    seen = -1
    until seen == (now = IronTrellis::Store::Crawling::Progress.of(crawl.reload).fetched)
      seen = now
      sleep 3
    end
    seen
  end

  def fetch_again(site)
    visit "/s/#{site.id}/c/latest/read/ledger?where=#{CGI.escape(JSON.generate(all: [{
      field: "stop", op: "is", value: "answers"
    }]))}"
    find("button", text: /Fetch these \d again/).click
    assert_text(/Crawl 2 (is about to begin|is running|is finished)/)
    assert_text(/of \d URLs only/)
    assert_text "Crawl 2 is finished", wait: 30
    click_link "See what was found"
    assert_text "404"
    # The screens stay as of the newest crawl of the whole site.
    visit "/s/#{site.id}/c/latest/read/trellis"
    assert_text "crawl 1,"
  end
end
