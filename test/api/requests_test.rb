# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/judged_site"
require_relative "../support/gazetteer"

# Requests, hides, alerts and what is to be done today, over HTTP.
class RequestsApiTest < Minitest::Test
  include JudgedSite

  WWW = "http://www.skerrylamps.example"

  def test_pages_are_asked_for_and_hidden_through_the_interface
    assert_equal [], call(:get, "/sites/#{@site}/requests")["indexes"]
    call(:post, "/sites/#{@site}/requests", {urls: ["#{WWW}/about"]}, status: 422)
    index =
      call(
        :post,
        "/sites/#{@site}/indexes",
        {name: "Gazetteer", address: "http://127.0.0.1:#{GazetteerHere.port}"},
        status: 201
      )[
        "id"
      ]
    told = call(:post, "/sites/#{@site}/requests", {urls: ["#{WWW}/about"], linked: true})
    queue = told["indexes"].first["queue"]
    assert_operator queue.size, :>, 5
    assert_equal queue.map { |one| one["day"] }.sort, queue.map { |one| one["day"] }
    assert_match(/can be sent today/, call(:get, "/sites/#{@site}/today")["lines"].map { |one| one["text"] }.join)
    done = worked("/sites/#{@site}/requests/ask", {index: index})
    assert_operator done["asked"] + done["refused"], :>, 0
    past = call(:get, "/sites/#{@site}/requests")["past"]
    assert_equal done["asked"], past.count { |one| one["state"] == "asked" }
    worked("/sites/#{@site}/hides", {index: index, url: "#{WWW}/about"})
    hide = call(:get, "/sites/#{@site}/requests")["hides"].first
    assert_equal ["#{WWW}/about", nil], hide.values_at("url", "fix")
    worked("/sites/#{@site}/hides", {index: index, url: "#{WWW}/about", show: true})
    assert_empty call(:get, "/sites/#{@site}/requests")["hides"]
  end

  def test_alerts_are_shown_seen_and_their_receivers_kept
    site = Store::Sites::Site.find(@site)
    told =
      IronTrellis::Core::Alerts::Alert.new(
        kind: "robots-changed",
        key: "x",
        what: "It is another.",
        urls: ["#{WWW}/robots.txt"],
        count: 1,
        screen: "prove/compare"
      )
    Store::Alerts::Alert.keep(site, [told], Time.now)
    alerts = call(:get, "/sites/#{@site}/alerts")
    assert_equal [1, "It is another."], [alerts["unseen"], alerts["alerts"].first["what"]]
    assert_match(/1 alert to look at/, call(:get, "/sites/#{@site}/today")["lines"].first["text"])
    call(:post, "/sites/#{@site}/alerts/seen", {ids: [alerts["alerts"].first["id"]]})
    assert_equal 0, call(:get, "/sites/#{@site}/alerts")["unseen"]
    kept = call(:put, "/sites/#{@site}/alerts", {mails: ["ada@example.test"], webhook: "http://hook.test/x"})
    assert_equal ["ada@example.test"], kept["settings"]["mails"]
    assert_equal 40, kept["settings"]["secret"].size
    call(:put, "/sites/#{@site}/alerts", {mails: ["nobody"]}, status: 422)
  end

  private

  # The site is shared with other tests.
  def forget
    Store::Alerts::Alert.where(site_id: @site).delete_all
    Store::Requests::FetchRequest.where(site_id: @site).delete_all
    Store::Evidence::Index.where(site_id: @site).destroy_all
    Store::Sites::Site.find(@site).update!(alert_settings: {})
  end
end
