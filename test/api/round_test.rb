# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/keepers"

# The whole round over HTTP: crawl, decide what is proposed, have the keepers of the site do it, crawl again, and what
# was wrong is gone.
class RoundTest < Minitest::Test
  include ApiHere

  WWW = "http://www.skerrylamps.example"
  HOSTS = %w[www.skerrylamps.example www.skerrylamper.example skerrylamps.example].freeze
  CLEARED = %w[
    redirect-chain
    redirect-loop
    redirect-temporary
    redirect-to-missing
    redirect-to-home
    not-found
    hreflang-no-return
    hreflang-code
    hreflang-sets-differ
    hreflang-no-self
    hreflang-sources-clash
    hreflang-no-default
    hreflang-code-twice
    sitemap-omits
    sitemap-lists-missing
    sitemap-lists-redirect
    sitemap-lists-noindex
    sitemap-lists-unwanted
    sitemap-lists-diverted
    stray
    noindex-wanted
    blocked-wanted
  ].freeze

  OF_SITEMAPS = CLEARED.grep(/\Asitemap-/).freeze

  def self.keepers = @keepers ||= Keepers.new

  def keepers = RoundTest.keepers

  def change(...) = keepers.change(...)

  def work_until
    deadline = Time.now + 240
    IronTrellis::Work::Runtime::Queue.work(queues: ["crawl"], threads: 1) do
      (Time.now > deadline) ? flunk("what was waited for never came") : yield
    end
  end

  def crawl
    made = call(:post, "/sites/#{@site}/crawls", status: 201)
    work_until { Store::Crawling::Crawl.find(made["id"]).ended? }
    @crawl = made["id"]
  end

  def decide(kind, values, note: nil)
    call(
      :post,
      "/sites/#{@site}/decisions",
      {kind: kind, note: note, values: values.map { |subject, value| {subject: subject, value: value} }}
    )
    work_until { !Store::Crawling::Crawl.find(@crawl).judged_again? }
  end

  def faults = call(:get, "/crawls/#{@crawl}/faults")["rules"].to_h { |rule| [rule["code"], rule["urls"]] }

  def setup
    super
    sign_up
    hosts = HOSTS.to_h { |host| ["#{host}:80", "127.0.0.1:#{keepers.server.port}"] }
    @site =
      call(
        :post,
        "/sites",
        site_input(settings: {start_urls: ["#{WWW}/"], hosts: HOSTS.drop(1), rate: 0, resolve: hosts}),
        status: 201
      )[
        "id"
      ]
    crawl
  end

  def test_what_is_decided_and_done_is_gone_in_the_next_crawl
    before = faults.slice(*CLEARED)
    assert_operator before.size, :>, 8, before.inspect
    decide_what_is_proposed
    carry_out
    crawl
    assert_equal({}, faults.slice(*CLEARED).except(*OF_SITEMAPS))
    assert_whole_sets
    # Only now is known which pages may be indexed.
    publish_sitemaps
    crawl
    assert_equal({}, faults.slice(*CLEARED))
    assert_sitemaps_right
  end

  private

  def decide_what_is_proposed
    proposals = call(:get, "/crawls/#{@crawl}/intent")["proposals"]
    groups, singles = proposals.partition { |one| one["urls"].nil? }
    decide(
      "group",
      groups.to_h { |one| [one["group"], {intent: one["intent"]}] },
      note: groups.first["reasons"].join(" ")
    )
    decide(
      "intent",
      singles
        .flat_map { |one| one["urls"].map { |url| [url, {intent: one["intent"]}] } }
        .to_h
        .merge(groups.flat_map { |one| one["except"] }.to_h { |url| [url, {intent: "undecided"}] })
    )
    decide_routes
    decide("languages", sets.to_h { |pages| [pages.values.first, {pages: pages}] })
    decide("sitemaps", {"all" => {packed: false, languages: false, by_group: true}})
  end

  # The first suggestion for what is lost; for what leads on by detours, its end.
  def decide_routes
    assert call(:post, "/crawls/#{@crawl}/suggestions", status: 202)["asked"]
    work_until { Store::Crawling::Crawl.find(@crawl).verdict_run.suggested_at }
    lost =
      call(:get, "/crawls/#{@crawl}/broken")["rows"].to_h do |row|
        [
          row["url"],
          row["suggestions"]
            .first
            .slice("target", "status")
            .then { |one| {to: one["target"], status: one["status"], why: row["suggestions"].first["reasons"].first} }
        ]
      end
    detours =
      call(:get, "/crawls/#{@crawl}/redirects")["rows"]
        .select { |row| row["final_status"] == 200 && row["final_url"] != "#{WWW}/" }
        .to_h { |row| [row["url"], {to: row["final_url"], status: 301}] }
    home =
      call(:get, "/crawls/#{@crawl}/redirects?kind=to_home")["rows"].to_h do |row|
        [row["url"], {to: nil, status: 410}]
      end
    decide("route", detours.merge(lost).merge(home))
    map = call(:get, "/sites/#{@site}/routes")
    assert_empty map["flaws"].keys - %w[route-chain route-to-redirect]
  end

  # What is named already, with its codes put right, and what seems to belong together.
  def sets
    found = call(:get, "/crawls/#{@crawl}/languages")
    proposed = found["proposals"].map { |one| one["pages"] }
    taken = proposed.flat_map(&:values)
    clusters =
      found["clusters"].map do |one|
        call(:get, "/crawls/#{@crawl}/languages/cluster?first=#{CGI.escape(one["first"])}")["pages"]
      end
    proposed + clusters.reject { |pages| pages.values.intersect?(taken) || pages.except("x-default").size < 2 }
  end

  def carry_out
    routes = JSON.parse(file("/sites/#{@site}/routes/json"))
    routes.each { |route| keepers.redirect(route) }
    # Links aren't left to go through redirects, nor to what is gone.
    JSON
      .parse("[#{file("/crawls/#{@crawl}/repoint.jsonl").lines.join(",")}]")
      .each { |link| keepers.tell("/links", {from: link["target"], to: link["new_target"] || "#{WWW}/"}) }
    write_directives
    write_languages
  end

  def file(path)
    get("/api#{path}")
    assert_equal 200, last_response.status, last_response.body
    last_response.body
  end

  def write_directives
    lines = call(:get, "/crawls/#{@crawl}/directives")["rows"]
    blocked, others = lines.partition { |line| line["where"] == "robots.txt" }
    others.each do |line|
      case line.values_at("where", "action")
      when %w[html add]
        line["text"].include?("canonical") ? nil : change(line["url"], {robots: line["text"][/content="([^"]+)"/, 1]})
      when %w[html remove]
        change(line["url"], {robots: nil})
      when %w[header remove]
        change(line["url"], {headers: {}})
      end
    end
    draft =
      blocked
        .map { |line| line["text"] }
        .uniq
        .reduce(call(:post, "/crawls/#{@crawl}/robots", {origin: WWW})["live"]) do |text, rule|
          text.lines.reject { |line| line.strip == rule }.join
        end
    decide("robots", {WWW => {text: draft}})
    trial = call(:post, "/crawls/#{@crawl}/robots", {origin: WWW})
    assert_equal [0, true], [trial["shut"]["total"], trial["freed"]["wanted"].positive?]
    change("#{WWW}/robots.txt", {body: trial["text"]})
  end

  def write_languages
    rows = CSV.parse(file("/crawls/#{@crawl}/languages/csv"), headers: true).group_by { |row| row["url"] }
    rows.each do |url, set|
      change(url, {alternates: set.map { |row| row.values_at("hreflang", "target") }, head: nil, headers: {}})
    end
    call(:get, "/crawls/#{@crawl}/languages")["alone"].each do |url|
      change(url, {alternates: [], head: nil, headers: {}})
    end
  end

  def publish_sitemaps
    call(:post, "/sites/#{@site}/sitemaps")
    work_until { Store::Sitemaps::SitemapBuild.where(site_id: @site, state: "built").exists? }
    build = call(:get, "/crawls/#{@crawl}/sitemaps")["builds"].first
    build["files"].each do |one|
      change(
        "#{one["host"]}/#{one["name"]}",
        {
          body:
            file("/sites/#{@site}/sitemaps/#{build["id"]}/file?host=#{CGI.escape(one["host"])}&name=#{one["name"]}"),
          content_type: "application/xml",
          status: 200,
          location: nil
        }
      )
    end
    assert_equal ["Sitemap: http://www.skerrylamper.example/sitemap.xml", "Sitemap: #{WWW}/sitemap.xml"],
      build["robots_lines"].sort
  end

  def assert_whole_sets
    clusters = call(:get, "/crawls/#{@crawl}/languages")["clusters"]
    refute_empty clusters
    assert_equal [],
      clusters
        .reject { |one| one["holes"].zero? && one["notes"].empty? }
        .map { |one| one.slice("first", "notes") }
  end

  def assert_sitemaps_right
    difference = call(:get, "/crawls/#{@crawl}/sitemaps")["difference"]
    assert_equal [0, 0], [difference["joins"]["total"], difference["leaves"]["total"]], difference.inspect
    assert_operator difference["stays"]["total"], :>, 50
  end
end
