# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/kept_site"

# The round through the screens: accept what is proposed, have it done, test it, crawl again, and see that it is gone.
class RoundScreensTest < Minitest::Test
  include KeptSite

  def test_routes_are_accepted_carried_out_tested_and_proved
    accept_routes
    routes =
      JSON.parse(
        page.evaluate_async_script(
          "fetch(arguments[0]).then((answer) => answer.text()).then(arguments[1])",
          find("a", text: "JSON")["href"]
        )
      )
    assert_operator routes.size, :>=, 6
    routes.each { |route| @keepers.redirect(route) }
    click_button "Test against the servers"
    assert_text(/\b0 of \d+ tested answer otherwise/, wait: 30)
    crawl_again
    assert_gone "Redirect goes round in a circle", "Redirect in several hops", "Redirect to a missing page"
  end

  private

  def accept_routes
    open_screen "decide/redirects"
    assert_text "it is the folder that the address was in", wait: 30
    click_button "Tick all"
    click_button(text: /Accept \d+ routes/)
    assert_text "nothing was decided yet about 0", wait: 10
    open_screen "decide/redirects?view=observed"
    click_button(text: /Shorten \d+ chains?/)
    assert_text "It is in the map now."
    open_screen "decide/redirects?view=map"
    assert_text(/\d+ routes/)
  end

  def crawl_again
    open_screen "crawl/setup"
    click_button "Save and crawl"
    assert_text "Crawl 2 is finished", wait: 60
  end

  def assert_gone(*titles)
    open_screen "prove/compare"
    assert_text "What changed"
    titles.each { |title| assert_selector "tr", text: /\A#{title}\s+\d/ }
    open_screen "read/faults"
    assert_text "by cause"
    titles.each { |title| assert_no_selector "strong", text: title, exact_text: true }
  end
end
