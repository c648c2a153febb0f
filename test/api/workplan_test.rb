# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/judged_site"

# Fixes over HTTP: made, laid out, looked at, made by hand and claimed.
class WorkplanApiTest < Minitest::Test
  include JudgedSite

  WWW = "http://www.skerrylamps.example"
  ADA = {"name" => "Ada", "hours_per_day" => 6}.freeze
  BOB = {"name" => "Bob", "hours_per_day" => 4, "days" => %w[mon tue], "off" => ["2027-01-05"]}.freeze

  def test_fixes_are_made_laid_out_looked_at_and_claimed
    assert_equal [nil, []], call(:get, "/sites/#{@site}/fixes").values_at("made_at", "fixes")
    assert_match(/name an owner/, failed("/sites/#{@site}/fixes/again", {start: "2027-01-04"}))
    told = worked("/sites/#{@site}/fixes/again", {start: "2027-01-04", owners: [ADA]})
    assert_empty told["late"]
    plan = call(:get, "/sites/#{@site}/fixes?state=planned")
    assert_equal [ADA], plan["owners"].map { |one| one.slice("name", "hours_per_day") }
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

  def test_the_plan_is_drawn_by_owner_and_tried_before_it_is_kept
    laid_out
    lanes = call(:get, "/sites/#{@site}/workplan")
    assert_equal ["2027-01-04", %w[Ada]], [lanes["start"], lanes["owners"].map { |one| one["name"] }]
    bars = lanes["bars"].sort_by { |bar| bar["begin"] }
    assert_operator bars.size, :>, 10
    bars.each_cons(2) { |one, other| assert_operator one["end"], :<=, other["begin"] + 0.002, "one after another" }
    assert_includes lanes["free_days"]["Ada"], 5, "a Saturday"
    freed = lanes["curve"].transform_values { |points| points.map(&:last) }
    assert_in_delta bars.sum { |bar| bar["benefit"] }, freed["planned"].last, 0.2
    assert_in_delta freed["planned"].last, freed["first_come"].last, 0.2
    bound = lanes["curve"]["bound"].to_h
    lanes["curve"]["planned"].each do |day, gain|
      most = bound.select { |one, _| one >= day }.values.min or next
      assert_operator gain, :<=, most + 0.2, "no order frees more by day #{day}"
    end
    tried =
      worked(
        "/sites/#{@site}/fixes/again",
        {start: "2027-01-04", owners: [ADA.merge("hours_per_day" => 9)], try: true}
      )
    assert_operator tried["moves"].size, :>, 0
    assert_operator tried["sooner"], :>, 0, "longer days do it sooner"
    alone = worked("/sites/#{@site}/fixes/again", {start: "2027-01-04", owners: [BOB], try: true})
    assert_equal ["Bob"], alone["moves"].map { |one| one["owner"] }.uniq, "who is there does it"
    assert_equal bars, call(:get, "/sites/#{@site}/workplan")["bars"].sort_by { |bar| bar["begin"] }, "nothing is kept"
    freeze = [{from: "2027-01-04", to: "2027-01-08", name: "sales"}]
    call(:put, "/sites/#{@site}/workplan", {freezes: freeze, effort: {"server" => 6}})
    frozen = worked("/sites/#{@site}/fixes/again", {start: "2027-01-04"})
    assert_operator frozen["sooner"], :<, 0
    lanes = call(:get, "/sites/#{@site}/workplan")
    assert_operator lanes["bars"].map { |bar| bar["begin"] }.min, :>=, 7
    assert_equal 6, lanes["effort"]["server"]
  end

  def test_what_is_wrong_of_owners_and_freezes_is_told_and_nothing_is_kept
    [
      {owners: [{name: "Ada", hours_per_day: 30}]},
      {owners: [ADA, ADA]},
      {owners: [{name: "Ada", hours_per_day: 3, off: ["soon"]}]},
      {freezes: [{from: "2027-01-08", to: "2027-01-04"}]},
      {effort: {"nothing" => 1}}
    ].each { |input| call(:put, "/sites/#{@site}/workplan", input, status: 422) }
    assert_empty call(:get, "/sites/#{@site}/workplan")["owners"]
  end

  def test_a_fix_is_changed_locked_and_waits_for_others
    laid_out
    one, other = call(:get, "/sites/#{@site}/workplan")["bars"].first(2).map { |bar| bar["id"] }
    call(:put, "/sites/#{@site}/fixes/#{one}", {locked_start: "2027-01-11", notes: "after the sales", hours: 3})
    worked("/sites/#{@site}/fixes/again", {start: "2027-01-04"})
    told = call(:get, "/sites/#{@site}/fixes/#{one}")
    assert_equal ["2027-01-11", "2027-01-11", "after the sales"], told.values_at("start", "locked_start", "notes")
    Store::Sites::Site.find(@site).update!(fixes_of_run: nil)
    worked("/sites/#{@site}/fixes/again", {})
    assert_equal 3, call(:get, "/sites/#{@site}/fixes/#{one}")["hours"], "what people say stays"
    call(:put, "/sites/#{@site}/fixes/#{other}", {own_after: [one]})
    assert_includes call(:get, "/sites/#{@site}/fixes/#{other}")["after"], one
    assert_match(/circle/, call(:put, "/sites/#{@site}/fixes/#{one}", {own_after: [other]}, status: 422)["detail"])
    call(:put, "/sites/#{@site}/fixes/#{one}", {owner: "Nobody"}, status: 422)
    call(:put, "/sites/#{@site}/fixes/#{one}", {deadline: "soon"}, status: 422)
  end

  def test_fixes_are_handed_over_left_taken_up_split_and_joined
    laid_out
    fixes = call(:get, "/sites/#{@site}/fixes")["fixes"]
    first = fixes.first["id"]
    call(:post, "/sites/#{@site}/fixes/state", {ids: [first], state: "handed over"})
    assert_equal "handed over", call(:get, "/sites/#{@site}/fixes/#{first}")["state"]
    call(:post, "/sites/#{@site}/fixes/state", {ids: [first], state: "left"}, status: 422)
    call(:post, "/sites/#{@site}/fixes/state", {ids: [first], state: "left", why: "Sold soon"})
    call(:post, "/sites/#{@site}/fixes/state", {ids: [first], state: "open"})
    wide = fixes.find { |fix| fix["url_count"] > 2 && fix["id"] != first }
    whole = call(:get, "/sites/#{@site}/fixes/#{wide["id"]}")
    urls = whole["urls"].map { |one| one["url"] }
    part = call(:post, "/sites/#{@site}/fixes/#{wide["id"]}/split", {urls: urls.first(1)})["id"]
    parts = [part, wide["id"]].map { |id| call(:get, "/sites/#{@site}/fixes/#{id}") }
    assert_equal whole["faults"].size, parts.sum { |one| one["faults"].size }
    assert_equal [1, urls.size - 1], parts.map { |one| one["urls"].size }
    assert_equal 2, parts.map { |one| one["title"] }.uniq.size
    assert_equal [urls.first(1), true], [parts.first["urls"].map { |one| one["url"] }, parts.first["hand_made"]]
    worked("/sites/#{@site}/fixes/again", {})
    faults = call(:get, "/sites/#{@site}/fixes")["fixes"].sum { |fix| fix["fault_count"] }
    assert_equal fixes.sum { |fix| fix["fault_count"] }, faults, "each fault in one fix still"
    call(:post, "/sites/#{@site}/fixes/join", {ids: [part, wide["id"]]})
    call(:post, "/sites/#{@site}/fixes/#{first}/split", {urls: ["#{WWW}/nowhere"]}, status: 422)
  end

  def test_single_faults_are_set_aside_until_a_day
    worked("/sites/#{@site}/fixes/again", {})
    wide = call(:get, "/sites/#{@site}/fixes")["fixes"].find { |fix| fix["fault_count"] > 1 }
    fault = call(:get, "/sites/#{@site}/fixes/#{wide["id"]}")["faults"].first
    input = {faults: [fault], why: "The shop closes", until: "2030-01-01"}
    call(:post, "/sites/#{@site}/fixes/#{wide["id"]}/set-aside", input.merge(why: " "), status: 422)
    call(:post, "/sites/#{@site}/fixes/#{wide["id"]}/set-aside", input)
    Store::Sites::Site.find(@site).update!(fixes_of_run: nil)
    worked("/sites/#{@site}/fixes/again", {})
    after = call(:get, "/sites/#{@site}/fixes/#{wide["id"]}")
    assert_equal wide["fault_count"] - 1, after["faults"].size
    assert_equal [[fault["code"], "2030-01-01"]], after["set_aside"].map { |one| one.values_at("code", "until") }
  end

  def test_fixes_are_proved_and_the_report_tells_it
    laid_out
    fix = call(:get, "/sites/#{@site}/fixes")["fixes"].find { |one| one["kind"] == "directives" }
    text = call(:get, "/sites/#{@site}/fixes/#{fix["id"]}")["text"].first
    call(:post, "/sites/#{@site}/fixes/claim", {ids: [fix["id"]]})
    told = worked("/sites/#{@site}/fixes/prove", {ids: [fix["id"]]})["fixes"].first
    assert_includes ["not done", "claimed"], told["state"]
    proof = call(:get, "/sites/#{@site}/fixes/#{fix["id"]}")["proof"]
    assert_equal told["met"], proof["conditions"].count { |one| one["met"] }
    overview = call(:get, "/sites/#{@site}/proofs")
    assert_equal [fix["id"]], overview["fixes"].map { |one| one["id"] }
    assert_equal 0.0, overview["freed"]
    report = call(:get, "/sites/#{@site}/report")
    assert_equal overview["to_free"], report["numbers"]["to_free"]
    assert_equal %w[wrong done freed left next], report["sections"].map { |one| one["name"] }
    kept = call(:put, "/sites/#{@site}/report", {sections: %w[done], foreword: "For <Mona>", logo: ""})
    assert_equal %w[done], kept["sections"].map { |one| one["name"] }
    get("/api/sites/#{@site}/report/html")
    assert_includes last_response.body, "For &lt;Mona&gt;"
    printed = worked("/sites/#{@site}/report/print", {from: nil})["file"]
    get("/api/sites/#{@site}/report/printed/#{printed}")
    assert_equal [200, "application/pdf", "%PDF-"],
      [last_response.status, last_response.content_type, last_response.body[0, 5]]
    call(:get, "/sites/#{@site}/lists/#{printed}.csv", status: 404)
    call(:get, "/sites/#{@site}/report/printed/999999", status: 404)
    get("/api/sites/#{@site}/fixes/#{fix["id"]}/text?name=#{text["name"]}")
    assert_equal text["content"].b, last_response.body.b
    call(:put, "/sites/#{@site}/report", {sections: %w[nothing]}, status: 422)
    call(:put, "/sites/#{@site}/report", {logo: "data:text/html;base64,AAAA"}, status: 422)
  end

  private

  def laid_out = worked("/sites/#{@site}/fixes/again", {start: "2027-01-04", owners: [ADA]})

  # The site is shared with other tests, after whose judgings a worker may have made fixes.
  def forget
    [Store::Workplan::Fix, Store::Workplan::SetAsideFault].each { |kind| kind.where(site_id: @site).delete_all }
    Store::Sites::Site.find(@site).update!(fixes_of_run: nil, fixes_made_at: nil, workplan_settings: {})
  end
end
