# frozen_string_literal: true

require "csv"
require_relative "../test_helper"
require "base64"
require "zip"

# The workbenches of the stage Decide over HTTP: what they answer, and what they say of input that can't be used.
class DecidingApiTest < Minitest::Test
  include ApiHere

  WWW = "http://www.skerrylamps.example"

  def setup
    super
    sign_up
    @crawl = judged
    @site = Store::Crawling::Crawl.find(@crawl).site_id
  end

  def decide(kind, values, status: 200, note: nil) =
    call(
      :post,
      "/sites/#{@site}/decisions",
      {kind: kind, note: note, values: values.map { |subject, value| {subject: subject, value: value} }},
      status: status
    )

  def undo(ids, status: 200) = call(:post, "/sites/#{@site}/decisions/undo", {ids: ids}, status: status)

  # Whatever a test has decided about routes and the like is taken back, since the crawl is shared.
  def teardown
    Store::Decisions::Decision
      .where(site_id: @site)
      .where.not(made_by: "site settings")
      .where(kind: %w[route languages robots sitemaps repoint canonical])
      .delete_all
    super
  end

  def file(path)
    get("/api#{path}")
    assert_equal 200, last_response.status, last_response.body
    last_response.body
  end

  def test_decisions_are_listed_with_who_and_why_and_taken_back
    ids = decide("route", {"#{WWW}/a" => {to: "#{WWW}/b", status: 301}}, note: "moved in spring")["ids"]
    assert_equal 1, ids.size
    told = call(:get, "/sites/#{@site}/decisions?kind=route")["decisions"].first
    assert_equal ["#{WWW}/a", "moved in spring", "An Auditor", nil],
      told.values_at("subject", "note", "made_by", "undone_by")
    assert_equal({"to" => "#{WWW}/b", "status" => 301, "kind" => "exact", "query" => "match"}, told["value"])
    undo(ids)
    assert_equal "An Auditor", call(:get, "/sites/#{@site}/decisions?kind=route")["decisions"].first["undone_by"]
    assert_match(/undone already/, undo(ids, status: 409)["detail"])
    assert_match(/no decision/i, undo([999_999], status: 404)["detail"])
  end

  def test_what_was_decided_is_checked_against_the_site_as_it_is_now
    id = decide("canonical", {"#{WWW}/lamps/masthead/ms-40-copper" => {target: "#{WWW}/elsewhere"}})["ids"].first
    check = worked("/crawls/#{@crawl}/decisions/#{id}/check")

    assert_equal [1, [false]], [check["total"], check["pages"].map { |page| page["holds"] }]
    assert_equal ["Canonical", "#{WWW}/elsewhere", false],
      check["pages"].first["conditions"].last.values_at("name", "wanted", "holds")
    assert_includes check["pages"].first["live"]["lines"].flat_map { |line| line["tells"] }, "title"
    refute_empty check["pages"].first["live"]["links"]
    call(:post, "/crawls/#{@crawl}/decisions/999999/check", status: 404)
  end

  def test_of_several_all_are_decided_or_none
    problem =
      decide(
        "route",
        {"#{WWW}/a" => {to: "#{WWW}/b", status: 301}, "#{WWW}/c" => {to: "#{WWW}/d", status: 200}},
        status: 422
      )
    assert_match(/200 is no status of a redirect/, problem["detail"])
    assert_empty call(:get, "/sites/#{@site}/decisions?kind=route")["decisions"]
  end

  def test_the_dossier_tells_what_was_decided_about_a_page
    row =
      call(
        :get,
        "/crawls/#{@crawl}/urls?limit=1&where=#{CGI.escape(JSON.generate({all: [{
          field: "url", op: "contains", value: "/lamps/masthead/ms-40-copper"
        }]}))}"
      )[
        "rows"
      ].first
    ids = decide("canonical", {"#{WWW}/lamps/masthead/*" => {target: "#{WWW}/lamps/$1"}})["ids"]
    decisions = call(:get, "/crawls/#{@crawl}/urls/#{row["url_id"]}/decisions")["decisions"]
    assert_equal [["canonical", "#{WWW}/lamps/masthead/*"]],
      decisions.select { |one| ids.include?(one["id"]) }.map { |one| one.values_at("kind", "subject") }
  end

  def test_evidence_and_what_would_change
    evidence = call(:get, "/crawls/#{@crawl}/intent")
    lamps = evidence["groups"].find { |one| one["group"] == "/lamps/" }
    assert_operator lamps["pages"], :>, lamps["indexable"]
    assert(evidence["proposals"].any? { |one| one["urls"].nil? && one["reasons"].any? })
    change =
      call(
        :post,
        "/crawls/#{@crawl}/intent/trial",
        {values: [{kind: "group", subject: "/lamps/", value: {intent: "keep_out"}}]}
      )
    assert_operator change["gets_noindex"]["total"], :>=, 15
    assert_operator change["leaves_sitemaps"]["total"], :>=, 15
    assert_match(
      /no intent/,
      call(
        :post,
        "/crawls/#{@crawl}/intent/trial",
        {values: [{kind: "group", subject: "/lamps/", value: {intent: "perhaps"}}]},
        status: 422
      )[
        "detail"
      ]
    )
    assert_match(
      /can't be read/,
      call(
        :post,
        "/crawls/#{@crawl}/intent/trial",
        {values: [{kind: "intent", subject: "/(/", value: {intent: "index"}}]},
        status: 422
      )[
        "detail"
      ]
    )
  end

  def test_directives_come_as_a_list_and_as_a_file
    list = call(:get, "/crawls/#{@crawl}/directives")
    assert_equal list["total"], list["groups"].sum { |one| one["urls"] }
    csv =
      CSV.parse(
        file("/crawls/#{@crawl}/directives.csv").dup.force_encoding("UTF-8").delete_prefix("\uFEFF"),
        headers: true
      )
    assert_equal [%w[step url where action text reason warning], list["total"]], [csv.headers, csv.size]
    get("/api/crawls/#{@crawl}/directives.doc")
    refute_equal 200, last_response.status
  end

  def test_a_robots_draft_is_tried_and_kept
    assert_equal [WWW], call(:get, "/crawls/#{@crawl}/robots")["origins"].map { |one| one["origin"] }
    trial = call(:post, "/crawls/#{@crawl}/robots", {origin: WWW, text: "User-agent: *\nDisallow: /lamps/\n"})
    assert_operator trial["shut"]["wanted"], :>, 5
    decide("robots", {WWW => {text: "User-agent: *\nAllow: /\n"}})
    assert_equal "User-agent: *\nAllow: /\n", call(:post, "/crawls/#{@crawl}/robots", {origin: WWW})["text"]
    call(:post, "/crawls/#{@crawl}/robots", {origin: "http://nowhere.example"}, status: 404)
  end

  def test_redirects_are_told_by_kind
    all = call(:get, "/crawls/#{@crawl}/redirects")
    loops = call(:get, "/crawls/#{@crawl}/redirects?kind=loops")
    assert_equal all["counts"]["loops"], loops["rows"].size
    assert(loops["rows"].all? { |row| row["final_url"].nil? && row["redirect_chain"].any? })
    call(:get, "/crawls/#{@crawl}/redirects?kind=odd", status: 400)
  end

  def test_a_map_from_a_file_is_half_good
    text = "from;to;status\n/old;/new;301\n/gone;;410\nnot an address;/x;301\n/y;/z;999\n/w;;301\n"
    told = send_file("/sites/#{@site}/routes/import?format=csv", text)
    assert_equal [2, 5, [4, 5, 6]], [told["ids"].size, told["read"], told["bad"].map { |one| one["line"] }]
    map = call(:get, "/sites/#{@site}/routes")
    assert_equal [["#{WWW}/old", "#{WWW}/new", 301], ["#{WWW}/gone", nil, 410]],
      map["routes"].map { |route| route.values_at("from", "to", "status") }
    assert_match(
      /must name the columns/,
      send_file("/sites/#{@site}/routes/import?format=csv", "a,b\n1,2\n", status: 422)["detail"]
    )
    long = "from,to,status\n#{"/a,/b,301\n" * 150_000}"
    assert_match(
      /holds too much \(150001\).*20000 routes/,
      send_file("/sites/#{@site}/routes/import?format=csv", long, status: 422)["detail"]
    )
    assert_match(
      /no JSON/,
      send_file("/sites/#{@site}/routes/import?format=json", "{", status: 422)["detail"]
    )
    assert_match(
      /must hold a list/,
      send_file("/sites/#{@site}/routes/import?format=json", "{}", status: 422)["detail"]
    )
  end

  def test_a_map_goes_out_and_comes_back_in
    decide(
      "route",
      {
        "#{WWW}/a" => {
          to: "#{WWW}/b",
          status: 301
        },
        "#{WWW}/b" => {
          to: "#{WWW}/c",
          status: 302
        },
        "#{WWW}/feed/*" => {
          to: "#{WWW}/feed",
          status: 308,
          kind: "pattern",
          query: "keep"
        }
      }
    )
    json = file("/sites/#{@site}/routes/json")
    assert_equal [["#{WWW}/a", "#{WWW}/c", 301], ["#{WWW}/b", "#{WWW}/c", 302], ["#{WWW}/feed/*", "#{WWW}/feed", 308]],
      JSON.parse(json).map { |route| route.values_at("from", "to", "status") }
    csv = file("/sites/#{@site}/routes/csv")
    other = call(:post, "/sites", site_input, status: 201)["id"]
    assert_equal 3, send_file("/sites/#{other}/routes/import?format=json", json)["ids"].size
    assert_empty send_file("/sites/#{other}/routes/import?format=csv", csv)["ids"],
      "the same is in force already"
    assert_match(/^RewriteRule/, file("/sites/#{@site}/routes/apache"))
    assert_match(/map \$trellis_host/, file("/sites/#{@site}/routes/nginx"))
    assert_equal 3, call(:post, "/sites/#{@site}/routes/tests")["routes"]
  end

  def test_a_rule_of_paths_is_dropped_as_one_of_addresses_is
    decide("route", {"/old/*" => {to: "#{WWW}/$1", status: 301, kind: "pattern"}, "/one" => {to: "/two", status: 301}})
    from = -> { call(:get, "/sites/#{@site}/routes")["routes"].map { |one| one["from"] } }
    assert_equal ["#{WWW}/one", "/old/*"], from.call.sort.reverse
    assert_equal [1, 1], ["/old/*", "/one"].map { |subject| decide("route", {subject => nil})["ids"].size }
    assert_empty from.call
  end

  def test_a_route_is_tried_while_it_is_written
    trial =
      call(
        :post,
        "/sites/#{@site}/routes/trial",
        {from: "#{WWW}/guides/*", to: "#{WWW}/help/$1", status: 301, kind: "pattern", query: "drop"}
      )
    assert_operator trial["living"], :>=, 10
    assert(trial["rows"].all? { |row| row["target"].start_with?("#{WWW}/help/") })
    assert_match(
      /can't be read|captures 1/,
      call(
        :post,
        "/sites/#{@site}/routes/trial",
        {from: "#{WWW}/guides/*", to: "#{WWW}/$3", status: 301, kind: "pattern"},
        status: 422
      )[
        "detail"
      ]
    )
  end

  def test_sets_of_languages_from_a_file_are_checked_before_they_are_kept
    text = "url,hreflang,target\n#{WWW}/en,en,#{WWW}/en\n#{WWW}/en,da,#{WWW}/da\n#{WWW}/da,da,#{WWW}/da\n,,\nx,en,y\n"
    checked = send_file("/sites/#{@site}/languages/import?keep=false", text)
    assert_equal [1, [], [6]], [checked["clusters"].size, checked["ids"], checked["bad"].map { |one| one["line"] }]
    assert_includes checked["faults"].map { |one| one.values_at("code", "url") }, ["hreflang-no-return", "#{WWW}/en"]
    assert_equal 1, send_file("/sites/#{@site}/languages/import?keep=true", text)["ids"].size
    assert_includes file("/crawls/#{@crawl}/languages/header"),
      "#{WWW}/en\nLink: <#{WWW}/da>; rel=\"alternate\"; hreflang=\"da\""
    assert_includes file("/crawls/#{@crawl}/languages/head"),
      %(<link rel="alternate" hreflang="x-default" href="#{WWW}/en">)
    assert_equal 6,
      CSV
        .parse(file("/crawls/#{@crawl}/languages/csv"), headers: true)
        .count { |row| row["url"].match?(%r{/(en|da)\z}) }
    read =
      IronTrellis::Core::Sitemaps::Reader.new(
        IronTrellis::Core::Url::NormalForm.parse("#{WWW}/s.xml"),
        now: Time.now
      ).call(file("/crawls/#{@crawl}/languages/sitemap"))
    assert_equal [3], read.entries.select { |entry| entry.url == "#{WWW}/da" }.map { |entry| entry.alternates.size }
  end

  def test_lines_of_a_set_and_what_cannot_be_one
    lines = call(:post, "/crawls/#{@crawl}/languages/lines", {pages: {en: "#{WWW}/", da: "#{WWW}/da"}})
    assert_equal %w[da en x-default], lines["pages"].keys
    assert_equal "#{WWW}/", lines["pages"]["x-default"], "the start page is in English"
    whole = call(:post, "/crawls/#{@crawl}/languages/lines", {pages: {da: "/da", nb: "/nb"}})
    assert_equal({"da" => "#{WWW}/da", "nb" => "#{WWW}/nb"}, whole["pages"], "nobody said which is for all others")
    assert_match(/no whole address/,
      call(:post, "/crawls/#{@crawl}/languages/lines", {pages: {da: "da", en: "#{WWW}/"}}, status: 422)["detail"])
    decide("languages", {"/" => {pages: {en: "/", da: "/da"}}})
    kept = Store::Sites::Site.find(@site).decisions.values("languages").first
    assert_equal ["#{WWW}/", {"en" => "#{WWW}/", "da" => "#{WWW}/da"}], [kept.first, kept.last["pages"]]
    assert_match(
      /en-UK can't be used/,
      call(
        :post,
        "/crawls/#{@crawl}/languages/lines",
        {pages: {"en-UK" => "#{WWW}/", "da" => "#{WWW}/da"}},
        status: 422
      )[
        "detail"
      ]
    )
    call(:get, "/crawls/#{@crawl}/languages/cluster?first=#{CGI.escape("#{WWW}/nothing")}", status: 404)
  end

  def test_sitemaps_are_built_in_a_job_and_downloaded
    decide("sitemaps", {"all" => {by_group: false, packed: true}})
    build = call(:post, "/sites/#{@site}/sitemaps")
    assert_equal "waiting", build["state"]
    IronTrellis::Work::Runtime::Queue.work(queues: ["crawl"], threads: 1) do
      Store::Sitemaps::SitemapBuild.find(build["id"]).state != "waiting"
    end
    told = call(:get, "/crawls/#{@crawl}/sitemaps")
    assert_equal ["built", %w[sitemap-pages-1.xml.gz sitemap.xml]],
      told["builds"].first.then { |one| [one["state"], one["files"].map { |file| file["name"] }] }
    zip = Zip::File.open_buffer(StringIO.new(file("/sites/#{@site}/sitemaps/#{build["id"]}.zip")))
    assert_equal %w[www.skerrylamps.example/sitemap-pages-1.xml.gz www.skerrylamps.example/sitemap.xml],
      zip.entries.map(&:name)
    one = file("/sites/#{@site}/sitemaps/#{build["id"]}/file?host=#{CGI.escape(WWW)}&name=sitemap-pages-1.xml.gz")
    assert_equal told["builds"].first["urls"], Zlib.gunzip(one).scan("<loc>").size
    call(:get, "/sites/#{@site}/sitemaps/#{build["id"]}/file?host=#{CGI.escape(WWW)}&name=other.xml", status: 404)
  end

  def test_a_sitemap_file_is_checked
    told =
      send_file(
        "/trials/sitemap?location=http://b.test/sitemap.xml",
        "<urlset xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\"><url><loc>http://a.test/x</loc></url></urlset>"
      )
    assert_equal ["urlset", 1, [["sitemap-off-host", 1, "http://a.test/x"]]],
      [
        told["kind"],
        told["entries"],
        told["faults"].map { |fault| fault.values_at("code", "line", "about") }
      ]
  end
end
