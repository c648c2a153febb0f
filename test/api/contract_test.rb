# frozen_string_literal: true

require_relative "../test_helper"
require "csv"
require "cgi"

# Every answer of the API is held to openapi.yaml; requests that don't keep to it are refused by it.
class ContractTest < Minitest::Test
  include ApiHere

  def test_the_first_start_asks_for_an_account_and_later_ones_are_refused
    assert call(:get, "/session")["first_start"]
    session = call(:post, "/accounts", PERSON, status: 201)

    assert_equal ["An Auditor", false], [session["user"]["name"], session["first_start"]]
    assert_equal "conflict", call(:post, "/accounts", PERSON, status: 409)["code"]
  end

  def test_an_account_is_checked_field_by_field
    call(:get, "/session")
    problem = call(:post, "/accounts", {email: "x", name: " ", password: "short"}, status: 422)

    assert_equal %w[email name password], problem["problems"].map { |one| one["field"] }
  end

  def test_signing_in_and_out
    sign_up
    call(:delete, "/session")
    assert_equal "not-signed-in", call(:get, "/sites", status: 401)["code"]
    call(:get, "/session")
    assert_match(
      /don't belong together/,
      call(:post, "/session", {email: PERSON[:email], password: "wrong"}, status: 401)["detail"]
    )
    assert_equal PERSON[:name],
      call(:post, "/session", {email: PERSON[:email].upcase, password: PERSON[:password]})["user"]["name"]
    call(:get, "/sites")
  end

  def test_the_session_cookie_is_http_only_and_same_site
    call(:get, "/session")

    assert_match(/httponly/i, last_response["set-cookie"])
    assert_match(/samesite=lax/i, last_response["set-cookie"])
  end

  def test_a_change_without_the_token_is_refused
    sign_up
    post("/api/sites", JSON.generate(site_input), "CONTENT_TYPE" => "application/json")

    assert_equal 403, last_response.status
  end

  def test_a_connection_that_the_database_closed_is_opened_anew
    sign_up
    own = IronTrellis::Store::Postgres::Sql.run("SELECT pg_backend_pid()").getvalue(0, 0)
    PG.connect(IronTrellis::Store::Postgres::Database.url.sub(%r{/[^/?]+(\?.*)?\z}, '/postgres\1')).then do |other|
      other.exec_params("SELECT pg_terminate_backend($1)", [own])
      other.close
    end

    assert_kind_of Array, call(:get, "/sites")["sites"]
  end

  def test_sign_in_may_be_tried_ten_times_a_minute
    call(:get, "/session")
    # Tries are counted from minute to minute: none may end in between.
    Time.stub(:now, Time.now) do
      10.times { call(:post, "/session", {email: "x@y", password: "z"}, status: 401) }

      assert_equal "too-many-tries", call(:post, "/session", {email: "x@y", password: "z"}, status: 429)["code"]
    end
  end

  def test_a_site_is_made_changed_and_listed
    sign_up
    input =
      site_input(key_pages: ["http://www.skerrylamps.example/lamps/"], intents: [{pattern: "/x/*", intent: "index"}])
    site = call(:post, "/sites", input, status: 201)

    assert_equal [input[:key_pages], [{"pattern" => "/x/*", "intent" => "index"}], nil],
      site.values_at("key_pages", "intents", "newest_crawl")
    assert_equal "conflict", call(:post, "/sites", input, status: 409)["code"]
    changed = call(:put, "/sites/#{site["id"]}", site_input(name: "#{site["name"]} changed", intents: []))
    assert_equal [], changed["intents"]
    assert_includes call(:get, "/sites")["sites"].map { |one| one["name"] }, changed["name"]
    assert_equal changed, call(:get, "/sites/#{site["id"]}")
  end

  def test_bad_settings_are_told_field_by_field_and_nothing_is_kept
    sign_up
    problem =
      call(
        :post,
        "/sites",
        site_input(name: "never kept", settings: {start_urls: ["a"], exclude: ["/(/"]}),
        status: 422
      )

    assert_equal %w[start_urls exclude], problem["problems"].map { |one| one["field"] }
    assert_nil Store::Sites::Site.find_by(name: "never kept")
    call(:post, "/sites", site_input(name: "never kept", key_pages: ["b"]), status: 422)
    assert_nil Store::Sites::Site.find_by(name: "never kept")
  end

  def test_requests_that_break_the_contract_are_refused
    sign_up

    assert_equal "invalid-input", call(:post, "/sites", {name: 1}, status: 400)["code"]
    assert_equal "not-found", call(:get, "/sites/999999", status: 404)["code"]
    post("/api/sites", "{", "CONTENT_TYPE" => "application/json", "HTTP_X_CSRF_TOKEN" => @token)
    assert_equal [400, "application/problem+json"], [last_response.status, last_response.media_type]
    get("/api/nothing")
    assert_equal 404, last_response.status
  end

  def test_a_crawl_is_started_watched_stopped_and_listed
    sign_up
    site = call(:post, "/sites", site_input, status: 201)
    crawl = call(:post, "/sites/#{site["id"]}/crawls", status: 201)

    assert_equal ["waiting", 1, 0, 1], [
      crawl["state"], crawl["number"], crawl["progress"]["fetched"], crawl["progress"]["waiting"]
    ]
    assert_equal "conflict", call(:get, "/crawls/#{crawl["id"]}/urls", status: 409)["code"]
    assert_equal(
      {
        "fetched" => 0,
        "seconds" => nil,
        "wanted" => nil,
        "wanted_stopping" => nil,
        "stopping" => nil,
        "undecided_groups" => nil,
        "fixes" => nil,
        "hours" => nil,
        "proved" => nil
      },
      call(:get, "/crawls/#{crawl["id"]}/rail")
    )
    assert_equal "judging", call(:post, "/crawls/#{crawl["id"]}/stop")["state"]
    assert_equal "conflict", call(:post, "/crawls/#{crawl["id"]}/stop", status: 409)["code"]
    assert_equal [crawl["id"]], call(:get, "/sites/#{site["id"]}/crawls")["crawls"].map { |one| one["id"] }
    Store::Postgres::Sql.run("DELETE FROM que_jobs")
  end

  def test_sites_and_crawls_are_taken_away_brought_back_and_marked_as_kept
    sign_up
    site = call(:post, "/sites", site_input, status: 201)
    crawl = call(:post, "/sites/#{site["id"]}/crawls", status: 201)
    call(:delete, "/crawls/#{crawl["id"]}", status: 409)
    Store::Crawling::Crawl.find(crawl["id"]).update!(state: "finished")
    assert call(:patch, "/crawls/#{crawl["id"]}", {kept: true})["kept"]
    assert_equal ["Crawl 1", "An Auditor"], call(:delete, "/crawls/#{crawl["id"]}").values_at("name", "removed_by")
    assert_equal [[], ["Crawl 1"]],
      call(:get, "/sites/#{site["id"]}/crawls").then { |list|
        [list["crawls"], list["removed"].map { |one| one["name"] }]
      }
    call(:get, "/crawls/#{crawl["id"]}", status: 404)
    call(:post, "/crawls/#{crawl["id"]}/back")

    call(:delete, "/sites/#{site["id"]}")
    assert_includes call(:get, "/sites")["removed"].map { |one| one["id"] }, site["id"]
    assert_equal site["name"], call(:post, "/sites/#{site["id"]}/back")["name"]
    call(:post, "/sites/#{site["id"]}/back", status: 404)
  end

  def test_a_crawl_is_paused_resumed_and_seen_as_it_runs
    sign_up
    site = call(:post, "/sites", site_input, status: 201)
    crawl = call(:post, "/sites/#{site["id"]}/crawls", status: 201)

    assert_equal "paused", call(:post, "/crawls/#{crawl["id"]}/pause")["state"]
    assert_match(/can't be paused/, call(:post, "/crawls/#{crawl["id"]}/pause", status: 409)["detail"])
    assert_equal "waiting", call(:post, "/crawls/#{crawl["id"]}/resume")["state"]
    assert_match(/can't be resumed/, call(:post, "/crawls/#{crawl["id"]}/resume", status: 409)["detail"])
    assert_equal [{"depth" => 0, "waiting" => 1}], call(:get, "/crawls/#{crawl["id"]}/live")["queue"]
    call(:post, "/crawls/#{crawl["id"]}/stop")
  end

  def test_some_urls_are_fetched_again_by_address_or_by_conditions
    sign_up
    whole = call(:get, "/crawls/#{judged}")
    path = "/sites/#{whole["site_id"]}/crawls"
    where = JSON.generate(all: [{field: "status", op: "is", value: 404}])

    one = call(:post, path, {urls: ["http://www.skerrylamps.example/about"]}, status: 201)
    some = call(:post, path, {from: {crawl: whole["id"], where: where}}, status: 201)
    assert_equal [
      ["partial", 1],
      ["partial", call(:get, "/crawls/#{whole["id"]}/totals?where=#{CGI.escape(where)}")["urls"]]
    ],
      [one, some].map { |crawl| crawl.values_at("scope", "asked") }
    assert_match(/web address/, call(:post, path, {urls: ["about"]}, status: 422)["detail"])
    assert_match(/at least one/, call(:post, path, {urls: []}, status: 422)["detail"])
    [one, some].each { |crawl| call(:post, "/crawls/#{crawl["id"]}/stop") }
  end

  def test_settings_robots_and_timetables_are_tried_without_being_kept
    sign_up
    trial =
      call(
        :post,
        "/trials/scope",
        {settings: {start_urls: ["http://a.test/"], exclude: ["/x/*"]}, urls: %w[http://a.test/x/y http://a.test/z]}
      )
    assert_equal [false, true], trial["rows"].map { |row| row["taken"] }
    assert_equal ["exclude"],
      call(
        :post,
        "/trials/scope",
        {settings: {start_urls: ["http://a.test/"], exclude: ["/(/"]}, urls: []}
      )[
        "problems"
      ].map { |one| one["field"] }
    assert_equal [false, 2],
      call(:post, "/trials/robots", {text: "User-agent: *\nDisallow: /x", agent: "Bot", urls: ["/x"]})[
        "rows"
      ].first.values_at("allowed", "line")
    refused =
      worked("/trials/robots/now", {url: "http://127.0.0.1:#{SiteServer.skerry.port}/", agent: "Bot", urls: ["/"]})
    assert_equal ["connect", false], [refused["file"]["error"], refused["rows"].first["allowed"]]
    assert_equal 3, call(:post, "/trials/timetable", {cron: "30 4 * * mon", time_zone: "UTC"})["next"].size
    assert_match(
      /no timetable/,
      call(:post, "/trials/timetable", {cron: "at dawn", time_zone: "UTC"}, status: 422)["detail"]
    )
  end

  def test_secrets_and_a_timetable_are_kept_with_the_site_and_shown_without_what_is_secret
    sign_up
    site =
      call(
        :post,
        "/sites",
        site_input(secrets: {user: "ines", password: "wick"}, timetable: {cron: "30 4 * * mon", time_zone: "UTC"}),
        status: 201
      )
    hidden = IronTrellis::Core::Settings::Secrets::HIDDEN

    assert_equal ["ines", hidden, "30 4 * * " \
      "mon"], [site["secrets"]["user"], site["secrets"]["password"], site["timetable"]["cron"]]
    changed =
      call(
        :put,
        "/sites/#{site["id"]}",
        {
          name: site["name"],
          settings: site["settings"],
          secrets: site["secrets"].merge("cookies" => "a=1"),
          timetable: nil
        }
      )
    assert_equal [hidden, hidden, nil], [*changed["secrets"].values_at("password", "cookies"), changed["timetable"]]
    assert_equal "wick", Store::Settings::Secrets.of(site["id"]).password
  end

  def test_trellis_and_rail_count_the_same_pages_as_the_ledger
    sign_up
    trellis = call(:get, "/crawls/#{judged}/trellis")
    lamps = trellis["groups"].find { |group| group["name"] == "/lamps/" }
    where = {all: [{field: "group", op: "is", value: "/lamps/"}, {field: "stop", op: "is", value: "open"}]}

    assert_equal lamps["stops"]["open"],
      call(:get, "/crawls/#{judged}/totals?where=#{CGI.escape(JSON.generate(where))}")["urls"]
    assert_equal lamps["pages"], lamps["through"] + lamps["stops"].values.sum
    assert_equal [true] * 7 + [false], trellis["rungs"].map { |rung| rung["judged"] }
    wanted = call(:get, "/crawls/#{judged}/trellis?reading=wanted")
    assert_equal wanted["stopping"], call(:get, "/crawls/#{judged}/rail")["wanted_stopping"]
    assert_equal ["/account/"],
      call(:get, "/crawls/#{judged}/trellis?reading=strays")["groups"].map { |group| group["name"] }
    call(:get, "/crawls/#{judged}/trellis?reading=sideways", status: 400)
  end

  def test_faults_by_rule_count_what_the_ledger_counts
    sign_up
    rules = call(:get, "/crawls/#{judged}/faults")["rules"]

    assert_equal rules.sort_by { |rule|
                   [%w[stops diverts weakens].index(rule["grade"]), -rule["weight"], rule["code"]]
                 },
      rules
    rules.each do |rule|
      where = {field: "faults", op: "has", value: rule["code"]}
      assert_equal rule["urls"],
        call(:get, "/crawls/#{judged}/totals?where=#{CGI.escape(JSON.generate(where))}")["urls"],
        rule["code"]
      assert_equal rule["urls"], rule["groups"].sum { |group| group["urls"] }
    end
    links = call(:get, "/crawls/#{judged}/faults/link-to-redirect")
    assert_equal rules.find { |rule| rule["code"] == "link-to-redirect" }["times"], links["total"]
    assert_includes links["rows"].map { |row| row["about"] }, "http://www.skerrylamps.example/stockists/st-orrin"
    call(:get, "/crawls/#{judged}/faults/no-such-rule", status: 404)
  end

  def test_what_the_ledger_shows_is_exported_in_its_order_with_its_columns
    sign_up
    where = CGI.escape(JSON.generate({all: [{field: "group", op: "is", value: "/lamps/"}]}))
    shown = call(:get, "/crawls/#{judged}/urls?where=#{where}&sort=-words&limit=500")["rows"]
    expected = shown.map { |row| row.values_at("url", "words", "wanted", "faults") }
    get("/api/crawls/#{judged}/urls.csv?where=#{where}&sort=-words&cols=url,words,wanted,faults")
    heading, *rows = CSV.parse(last_response.body.force_encoding("UTF-8").delete_prefix("\uFEFF"))

    assert_equal %w[url words wanted faults], heading
    assert_equal expected.map { |url, words, wanted, faults| [url, words&.to_s, wanted.to_s, faults.join("; ")] },
      rows.map { |row| [*row[0..2], row[3].to_s] }
    assert_match(/attachment; filename="contract-.*-crawl-\d+\.csv"/, last_response.headers["content-disposition"])
    get("/api/crawls/#{judged}/urls.jsonl?where=#{where}&sort=-words&cols=url,words,wanted,faults")
    assert_equal expected, last_response.body.lines.map { |line| JSON.parse(line).values }
    [["csv?cols=url,nonsense", 422], ["csv?sort=wind", 422], ["pdf?", 422]].each do |query, status|
      call(:get, "/crawls/#{judged}/urls.#{query}", status: status)
    end
  end

  def test_the_ledger_is_paged_and_a_dossier_opened
    sign_up
    first = call(:get, "/crawls/#{judged}/urls?limit=50&sort=-words")
    second = call(:get, "/crawls/#{judged}/urls?limit=50&sort=-words&after=#{first["next"]}")

    assert_empty first["rows"].map { |row| row["url_id"] } & second["rows"].map { |row| row["url_id"] }
    call(:get, "/crawls/#{judged}/urls?where=nonsense", status: 422)
    chain =
      call(
        :get,
        "/crawls/#{judged}/urls?where=#{CGI.escape(JSON.generate({field: "url", op: "ends", value: "/lamps/ms-40"}))}"
      )[
        "rows"
      ].first
    dossier = call(:get, "/crawls/#{judged}/urls/#{chain["url_id"]}")
    assert_equal [301, 301, 200], dossier["hops"].map { |hop| hop["status"] }
    assert_equal %w[redirect-chain], dossier["faults"].map { |fault| fault["code"] }
    assert_equal [
      "http://www.skerrylamps.example/",
      "http://www.skerrylamps.example/guides/",
      "http://www.skerrylamps.example/guides/oil-or-electric",
      chain["url"]
    ],
      dossier["clicks"].map { |step| step["url"] }
    links = ->(field) do
      call(
        :get,
        "/crawls/#{judged}/links?where=#{CGI.escape(JSON.generate({all: [{
          field: field, op: "is", value: chain["url"]
        }]}))}"
      )[
        "rows"
      ]
    end
    assert_equal [["it", nil], ["the MS-40", "main"]],
      links.call("target").map { |link| link.values_at("text", "place") }.sort
    assert_equal "redirect", links.call("source").first["type"]
    call(:get, "/crawls/#{judged}/urls/1", status: 404)
  end

  def test_pages_of_the_front_end_carry_a_policy_that_lets_nothing_in_from_elsewhere
    get("/s/1/c/latest/read/trellis")

    assert_match(/default-src 'none'/, last_response["content-security-policy"])
    nonce = last_response["content-security-policy"][/'nonce-([^']+)'/, 1]
    assert_includes last_response.body, nonce
    refute_match(%r{(src|href)="https?://}, last_response.body)
  end
end
