# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/site_server"
require_relative "../support/faults_told"
require_relative "../support/evidence_site"
require_relative "../support/mail_catcher"

# What somebody has to hear of after a crawl, told once, by mail and to a webhook.
class AlertsTest < Minitest::Test
  include TestDatabase
  include EvidenceSite
  include FaultsTold

  Work = IronTrellis::Work::Alerts
  Ports = IronTrellis::Ports::Alerts
  SMALL = "http://small.example"
  NOINDEX = "<meta name=robots content=noindex>"

  def setup
    super
    home = (1..12).map { |number| "<a href=/#{number}>#{number}</a>" }.join
    pages = (1..12).to_h { |number| ["/#{number}", page("Page #{number}", "<a href=/>home</a>")] }
    xml = "<urlset xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\"><url><loc>#{SMALL}/</loc></url></urlset>"
    crawled(
      {
        "/" => page("Home", home),
        **pages,
        "/robots.txt" => [200, {"content-type" => "text/plain"}, "User-agent: *\nDisallow: /x\n"],
        "/sitemap.xml" => [200, {"content-type" => "application/xml"}, xml]
      }
    )
    @site.page_groups.create!(name: "all", pattern: "*", position: 0)
    @site.decisions.decide(
      "group",
      [IronTrellis::Core::Decisions::Registry.read("group", "all", {"intent" => "index"})].to_h,
      by: "A test",
      now: Time.now
    )
    @site.key_pages.create!(url: "#{SMALL}/1")
    IronTrellis::Work::Judging::Judgement.alone(@site.newest_crawl.reload, clock: -> { Time.now })
    IronTrellis::Work::Workplan::RegenerateFixes.keep_up(@site.reload, now: Time.now)
  end

  def test_each_kind_is_told_where_it_happens_and_once_only
    worsened
    told = watch.to_h { |alert| [alert.kind, alert] }
    assert_equal %w[noindex-appeared page-fell robots-changed rung-lost sitemap-broke], told.keys.sort
    assert_match(%r{\A#{SMALL}/1 stopped in crawl 2: noindex}o, told["page-fell"].what)
    assert_equal 11, told["noindex-appeared"].count
    assert_match(%r{- Disallow: /x; \+ Disallow: /y}, told["robots-changed"].what)
    assert_match(/answers 404/, told["sitemap-broke"].what)
    assert_empty watch, "nothing is told twice"
  end

  def test_what_stays_below_its_limit_is_not_told
    keep({limits: {importance: 100, rung_percent: 99, noindex_pages: 12}})
    worsened
    assert_equal %w[robots-changed sitemap-broke], watch.map(&:kind).sort
  end

  def test_a_proved_fix_that_comes_back_is_told
    fix = Store::Workplan::Fix.of(@site).where.not(faults: []).first
    fix.become("proved", now: Time.now)
    crawl_with({})
    assert_includes watch.map(&:what).join, "#{fix.name} came back"
  end

  def test_hides_and_unused_quotas_are_told_by_the_day
    index = Store::Evidence::Index.create!(site: @site, name: "one", created_at: NOW, address: "http://x.test")
    id = IronTrellis::Core::Url::NormalForm.id(@site.id, "#{SMALL}/1")
    Store::Postgres::Sql.run(
      "INSERT INTO index_hides (index_id, url_id, asked_on, ends_on) VALUES ($1, $2, '2026-09-01', '2026-12-05')",
      [index.id, id]
    )
    IronTrellis::Work::Requests::Queue.new(@site, now: NOW - 3 * 86_400).add(["#{SMALL}/2"], linked: false, by: "A")
    assert_equal %w[hide-ends quota-unused], daily(NOW).map(&:kind).sort
    assert_empty daily(NOW)
    assert_equal %w[quota-unused], daily(NOW + 86_400).map(&:kind), "another day"
  end

  def test_they_are_mailed_and_posted_once_and_signed
    hook = Hook.new
    catcher = MailCatcher.new
    keep({mails: ["ada@example.test"], webhook: "http://127.0.0.1:#{SiteServer.new(hook).port}/hook"})
    worsened
    new = watch
    with_env("TRELLIS_SMTP" => "smtp://127.0.0.1:#{catcher.port}") { assert_nil sending.call }
    with_env("TRELLIS_SMTP" => "smtp://127.0.0.1:#{catcher.port}") { sending.call }
    assert_equal [new.size, new.size], [catcher.mails.size, hook.bodies.size], "each once"
    assert_match(/Subject: .*robots\.txt/m, catcher.mails.join)
    body, signature = hook.bodies.first
    assert_equal "sha256=#{OpenSSL::HMAC.hexdigest("SHA256", @site.alert_settings["secret"], body)}", signature
    assert_equal new.map(&:what).sort, hook.bodies.map { |one, _| JSON.parse(one)["what"] }.sort
  end

  def test_what_does_not_arrive_is_told_kept_and_tried_again
    keep({mails: ["ada@example.test"], webhook: "http://127.0.0.1:1/hook"})
    worsened
    watch
    with_env("TRELLIS_SMTP" => nil) { assert_equal 60, sending.call }
    failed = Store::Alerts::Alert.of(@site).first.view["failed"]
    assert_equal 2, failed.size
    assert_match(/No mail server is set/, failed.join)
    5.times { with_env("TRELLIS_SMTP" => nil) { sending.call } }
    assert_nil sending.call, "after six tries it is left, and stays told"
    assert_equal 2, Store::Alerts::Alert.of(@site).first.view["failed"].size
  end

  # It may not answer, or be no address any more that can be asked.
  def test_one_bad_receiver_holds_back_no_other
    asked = Hash.new(0)
    hook = ->(url, _payload, **) {
      asked[url] += 1
      raise Ports::Undelivered.new("It went wrong.") if url.include?("bad")
    }
    keep({mails: ["ada@example.test"], webhook: "http://127.0.0.1:1/bad"})
    worsened
    new = watch
    sent = []
    with_env("TRELLIS_OWN_NETWORK" => "yes") do
      mail = ->(to, subject:, text:) { sent << [to, subject, text] }
      Work::Sending.new(@site.reload, now: Time.now, mail: mail, hook: hook).call
    end
    assert_equal [new.size, {"http://127.0.0.1:1/bad" => 1}], [sent.size, asked], "it is asked once in a round"
    assert_equal ["http://127.0.0.1:1/bad"],
      Store::Alerts::Alert.of(@site).flat_map { |one| one.view["failed"] }.map { |one| one[/http\S+bad/] }.uniq
    Store::Alerts::Delivery.where(receiver: "http://127.0.0.1:1/bad").update_all(receiver: "http://127.0.0.1:1/|bad")
    assert_equal 300, Work::Sending.new(@site.reload, now: Time.now).call
    assert_match(/no web address/, Store::Alerts::Alert.of(@site).first.view["failed"].join)
  end

  def test_wrong_receivers_are_refused
    [
      {mails: ["nobody"]},
      {webhook: "nowhere"},
      *["http://a.test/|", "http://a.test/%zz", "http://a.test/[x]", "ftp://a.test/"].map { |one| {webhook: one} },
      {limits: {days: 3}},
      {limits: {importance: -1}}
    ].each { |input| assert_raises(IronTrellis::Core::Error) { keep(input) } }
  end

  private

  # Takes what is posted.
  class Hook
    attr_reader :bodies

    def initialize = @bodies = []

    def call(env)
      @bodies << [env["rack.input"].read, env["HTTP_X_IRON_TRELLIS_SIGNATURE"]]
      [204, {}, []]
    end
  end

  def keep(input) = Work::Settings.new(@site).keep(JSON.parse(JSON.generate(input)))

  def watch = Work::Watching.new(@site.reload, now: Time.now).after_crawl

  def daily(now) = Work::Watching.new(@site.reload, now: now).daily

  def sending = Work::Sending.new(@site.reload, now: Time.now)

  def with_env(values)
    before = ENV.to_h.slice(*values.keys)
    ENV.update(values)
    yield
  ensure
    values.each_key { |name| ENV[name] = before[name] }
  end

  def worsened
    crawl_with(
      (1..11)
        .to_h { |number| ["/#{number}", page("Page #{number}", "<a href=/>home</a>", head: NOINDEX)] }
        .merge(
          "/robots.txt" => [
            200,
            {"content-type" => "text/plain"},
            "User-agent: *\nDisallow: /y\nSitemap: #{SMALL}/sitemap.xml\n"
          ],
          "/sitemap.xml" => [404, {}, ""]
        )
    )
  end

  def crawl_with(pages)
    @server.change(pages)
    crawl = crawl_here(@server, site: @site)
    crawl.update_columns(state: "finished", fetching_ended_at: Time.now, finished_at: Time.now)
    IronTrellis::Work::Workplan::RegenerateFixes.keep_up(@site.reload, now: Time.now)
  end
end
