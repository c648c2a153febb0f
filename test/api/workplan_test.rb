# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/api_here"

# Fixes over HTTP: made, laid out, looked at, made by hand and claimed.
class WorkplanApiTest < Minitest::Test
  include ApiHere

  WWW = "http://www.skerrylamps.example"

  def setup
    super
    sign_up
    @site = Store::Crawling::Crawl.find(judged).site_id
    forget
  end

  def teardown
    forget
    super
  end

  def test_fixes_are_made_laid_out_looked_at_and_claimed
    assert_equal [nil, []], call(:get, "/sites/#{@site}/fixes").values_at("made_at", "fixes")
    assert_match(/name an owner/, failed("/sites/#{@site}/fixes/again", {start: "2027-01-04"}))
    told = worked("/sites/#{@site}/fixes/again", {start: "2027-01-04", owners: {"Ada" => 6}})
    assert_empty told["late"]
    plan = call(:get, "/sites/#{@site}/fixes?state=planned")
    assert_equal [{"name" => "Ada", "hours_per_day" => 6}], plan["owners"]
    assert_equal ["2027-01-04"], plan["fixes"].filter_map { |one| one["start"] }.minmax.first(1)
    first = plan["fixes"].first["id"]
    one = call(:get, "/sites/#{@site}/fixes/#{first}")
    assert_equal plan["fixes"].first["fault_count"], one["faults"].size
    after = call(:post, "/sites/#{@site}/fixes/claim", {ids: [first]})
    assert_equal 1, after["states"]["claimed"]
    assert_equal "An Auditor", call(:get, "/sites/#{@site}/fixes/#{first}")["history"].last["by"]
    call(:post, "/sites/#{@site}/fixes/claim", {ids: %w[F99999]}, status: 422)
    call(:get, "/sites/#{@site}/fixes/F99999", status: 422)
  end

  def test_a_fix_is_made_by_hand
    made =
      call(
        :post,
        "/sites/#{@site}/fixes",
        {kind: "content", title: "Write for lamps", urls: ["#{WWW}/about"]},
        status: 201
      )
    one = call(:get, "/sites/#{@site}/fixes/#{made["id"]}")
    assert_equal [1.5, "open", "Write for lamps"], one.values_at("hours", "state", "title")
    assert_in_delta one["urls"].first["importance"] * 0.2, one["benefit"], 0.06
    call(:post, "/sites/#{@site}/fixes", {kind: "content", title: " "}, status: 422)
    call(:post, "/sites/#{@site}/fixes", {kind: "content", title: "x", urls: ["no address"]}, status: 422)
  end

  private

  # The site is shared with other tests, after whose judgings a worker may have made fixes.
  def forget
    Store::Workplan::Fix.where(site_id: @site).delete_all
    Store::Sites::Site.find(@site).update!(fixes_of_run: nil, fixes_made_at: nil, workplan_settings: {})
  end
end
