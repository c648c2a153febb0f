# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/api_here"
require_relative "../support/gazetteer"

# Evidence over HTTP: from a file that is brought to what is decided about what an index left out.
class EvidenceApiTest < Minitest::Test
  include ApiHere

  WWW = "http://www.skerrylamps.example"

  def setup
    super
    sign_up
    @crawl = judged
    @site = Store::Crawling::Crawl.find(@crawl).site_id
  end

  def teardown
    site = Store::Sites::Site.find(@site)
    Store::Evidence::Index.of(site).each(&:destroy!)
    Store::Evidence::Import.where(site_id: @site).delete_all
    %w[standings search_pages search_queries log_hits live_checks].each do |table|
      Store::Postgres::Sql.run("DELETE FROM #{table} WHERE site_id = $1", [@site])
    end
    Store::Postgres::Sql.run("DELETE FROM evidence WHERE site_id = $1", [@site])
    site
      .decisions
      .recent(kinds: %w[intent], limit: 50)
      .select { |one| one.note&.start_with?("left out by") }
      .each { |one| site.decisions.undo([one.id], by: "A test", now: Time.now) unless one.undone_at }
    rejudge
    super
  end

  def test_a_file_is_looked_into_mapped_taken_over_and_taken_back
    text = "Page;State\n#{WWW}/about;Kept\n#{WWW}/contact;Out\n#{WWW}/about;what\n"
    brought = send_file("/sites/#{@site}/evidence/files?name=states.csv", text)
    assert_equal [%w[Page State], %w[Kept Out what]], [brought["headings"], brought["words"][1]]
    result =
      worked(
        "/sites/#{@site}/evidence/imports",
        {
          file: brought["file"],
          kind: "standings",
          columns: {
            url: "Page",
            standing: "State"
          },
          words: {
            "Kept" => "in_index",
            "Out" => "passed_over"
          }
        }
      )
    assert_equal [3, 2, 1], result.values_at("rows", "kept", "wrong_count")
    sources = call(:get, "/sites/#{@site}/evidence")
    assert_equal [true, 1], [sources["indexes"].first["first"], sources["imports"].size]
    import = sources["imports"].first["id"]
    assert_match(/4,“what” is no standing/, file("/sites/#{@site}/evidence/imports/#{import}/wrong.csv"))
    rejudge
    assert_equal({"in_index" => 1, "passed_over" => 1}, states.slice("in_index", "passed_over"))
    call(:post, "/sites/#{@site}/evidence/imports/#{import}/undo")
    rejudge
    assert_empty states
  end

  def test_what_was_left_out_is_sorted_put_elsewhere_and_accepted
    bring("standings", "url,standing\n#{WWW}/about,passed_over\n#{WWW}/,in_index\n#{WWW}/nowhere,missing\n")
    call(:post, "/crawls/#{@crawl}/left-out", {fetch: false}, status: 202)
    assert_equal({"urls" => 2}, worked("/crawls/#{@crawl}/left-out", {fetch: true}))
    left = call(:get, "/crawls/#{@crawl}/left-out")
    assert_equal [1, 1],
      left["trays"]
        .select { |tray| %w[settled undervalued].include?(tray["class"]) }
        .map { |tray| tray["urls"] }
    about = call(:get, "/crawls/#{@crawl}/left-out?class=undervalued")["rows"].first
    call(:post, "/crawls/#{@crawl}/left-out/class", {to: "by_product", urls: [about["url_id"]]})
    assert_equal(
      {"decided" => 1, "marked" => 0, "open" => []},
      call(:post, "/crawls/#{@crawl}/left-out/accept", {class: "by_product"})
    )
    decided = call(:get, "/sites/#{@site}/decisions?kind=intent")["decisions"].first
    assert_equal ["#{WWW}/about", "keep_out"], [decided["subject"], decided["value"]["intent"]]
    accepted = call(:get, "/crawls/#{@crawl}/left-out?class=by_product")["rows"].first
    assert_equal ["An Auditor", true], accepted.values_at("accepted_by", "chosen")
  end

  def test_an_index_is_connected_tested_and_asked
    id =
      call(
        :post,
        "/sites/#{@site}/indexes",
        {name: "Gazetteer", address: "http://127.0.0.1:#{GazetteerHere.port}"},
        status: 201
      )[
        "id"
      ]
    assert_equal "Gazetteer", worked("/sites/#{@site}/indexes/#{id}/test")["name"]
    pulled = worked("/sites/#{@site}/indexes/#{id}/pull")["imports"]
    assert_equal %w[standings pages queries], pulled.map { |one| one["kind"] }
    assert_equal 0, pulled.sum { |one| one["wrong_count"] }
    rejudge
    now = call(:get, "/crawls/#{@crawl}/standing")
    assert_operator now["fields"].sum { |one| one["urls"] }, :>, 50
    assert_equal 1, call(:get, "/crawls/#{@crawl}/standing/history")["days"].size
    found = call(:get, "/crawls/#{@crawl}/queries?least=1&order=impressions")
    assert_operator found["rows"].first["pages"].first["words"].size, :>, 0
    assert_operator call(:get, "/crawls/#{@crawl}/queries?by=page&order=impressions&least=1")["rows"].size, :>, 0
    page = call(:get, "/crawls/#{@crawl}/urls/#{found["rows"].first["pages"].first["url_id"]}/index")
    assert_equal "in_index", page["standings"].first["state"]
    assert_operator call(:get, "/sites/#{@site}/evidence")["indexes"].first["ownership"].size, :>, 0
    call(:put, "/sites/#{@site}/indexes/#{id}", {name: "Gazetteer", address: "http://127.0.0.1:1"})
    assert_match(/can't be asked/, failed("/sites/#{@site}/indexes/#{id}/test"))
  end

  # Whoever mistyped its address adds it again under the same name.
  def test_an_index_that_can_not_be_asked_is_not_there
    bad = [{name: "Atlas", address: "http://no-such-host.invalid/"}, {name: "Atlas", address: "no address"},
      {name: "Atlas", address: "http://127.0.0.1:1", interface: "none"}]
    bad.each { |input| call(:post, "/sites/#{@site}/indexes", input, status: 422) }
    assert_empty call(:get, "/sites/#{@site}/evidence")["indexes"]
    call(:post, "/sites/#{@site}/indexes", {name: "Atlas", address: "http://127.0.0.1:1"}, status: 201)
  end

  def test_pages_are_reviewed_decided_exported_and_brought_back
    page = call(:get, "/crawls/#{@crawl}/review?group=%2F")
    assert_equal [7, page["total"]], [page["yardsticks"].size, page["rows"].size]
    assert_equal page["rows"].filter_map { |row| row["score"] }.sort, page["rows"].filter_map { |row| row["score"] }
    call(
      :put,
      "/sites/#{@site}/review/yardsticks",
      {yardsticks: [{field: "words", op: "at_least", value: 1, weight: 1}]}
    )
    assert_equal [1.0], call(:get, "/crawls/#{@crawl}/review?group=%2F")["rows"].map { |row| row["score"] }.uniq
    call(
      :put,
      "/sites/#{@site}/review/yardsticks",
      {yardsticks: [{field: "beauty", op: "is", weight: 1}]},
      status: 422
    )
    url = page["rows"].first["url"]
    text =
      "url,decision,target,note\n#{url},Merge into,#{WWW}/,says the same\n#{WWW}/about,burn,,\n#{WWW}/contact,,,\n" \
        "#{WWW}/nowhere-at-all,keep,,\n"
    told = send_file("/sites/#{@site}/review/import", text)
    assert_equal [1, 1, [3, 5]], [told["ids"].size, told["read"], told["bad"].map { |one| one["line"] }]
    assert_match(/no page that is known/, told["bad"].last["why"])
    row =
      CSV
        .parse(file("/crawls/#{@crawl}/review.csv?group=%2F").delete_prefix("\uFEFF"), headers: true)
        .find { |one| one["url"] == url }
    assert_equal ["merge_into", "#{WWW}/", "says the same"], row.values_at("decision", "target", "note")
    call(:post, "/sites/#{@site}/decisions/undo", {ids: told["ids"]})
  end

  def test_logs_lists_and_settings
    log = %(192.0.2.1 - - [28/Nov/2026:10:00:00 +0000] "GET /about HTTP/1.1" 200 5 "-" "Lampbot/1.0"\n)
    brought = send_file("/sites/#{@site}/evidence/files?name=access.log", log)["file"]
    assert_equal 1,
      worked("/sites/#{@site}/evidence/logs", {file: brought, verified: {lampbot: ["192.0.2.0/24"]}})[
        "kept"
      ]
    visits = call(:get, "/crawls/#{@crawl}/visits")
    assert_equal [["Lampbot", 1, 1], [[200, 1, 1]]],
      [visits["agents"].first.values_at("agent", "requests", "verified"), visits["statuses"].map(&:values)]
    list =
      send_file("/sites/#{@site}/evidence/files?name=list.csv", "url,Note\n#{WWW}/about/,mine\nnothing,x\n")["file"]
    joined = worked("/sites/#{@site}/lists", {file: list, fetch: false})
    assert_equal({"slash" => 1, "not" => 1}, joined["matched"])
    assert_includes file("/sites/#{@site}/lists/#{joined["file"]}.csv"), "mine"
    settings = call(:put, "/sites/#{@site}/evidence/settings", {date_order: "mdy", days: 28})["settings"]
    assert_equal "mdy", settings["date_order"]
    call(:put, "/sites/#{@site}/evidence/settings", {time_zone: "Nowhere/At_all"}, status: 422)
    call(:put, "/sites/#{@site}/evidence/settings", {})
  end

  private

  def bring(kind, text)
    brought = send_file("/sites/#{@site}/evidence/files?name=file.csv", text)["file"]
    worked("/sites/#{@site}/evidence/imports", {file: brought, kind: kind})
    rejudge
  end

  # A worker of the browser tests may be at it already.
  def rejudge
    crawl = Store::Crawling::Crawl.find(@crawl)
    sleep 0.1 until IronTrellis::Work::Judging::Judgement.alone(crawl, clock: -> { Time.now })
  end

  def states = call(:get, "/crawls/#{@crawl}/standing")["states"].to_h { |one| [one["state"], one["urls"]] }

  def file(path)
    custom_request("GET", "/api#{path}", nil, {})
    assert_equal 200, last_response.status, last_response.body
    last_response.body.force_encoding("UTF-8")
  end
end
