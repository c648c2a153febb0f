# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/site_server"
require_relative "../support/small_site"

# Pages rendered by Chromium: what scripts make of them, and what those that mean ill can't do.
class RenderingTest < Minitest::Test
  Rendering = IronTrellis::Fetch::Rendering
  Core = IronTrellis::Core
  SITE = "http://small.example"
  JS = {"content-type" => "text/javascript"}.freeze
  PAGES = {
    "/robots.txt" => [200, {"content-type" => "text/plain"}, "User-agent: *\nDisallow: /private/\n"],
    "/scripted" => <<~HTML,
      <title>Before</title><link rel=canonical href=/scripted><body style="margin:0"><p>Sent.</p><p hidden>Hidden.</p>
      <script src=/app.js></script><script src=/private/menu.js></script><img src=/gone.png>
      <div style="width:900px;height:5px"></div><button style="width:10px;height:10px"></button>
    HTML
    "/app.js" => [200, JS, <<~JS],
      document.title = "After";
      document.querySelector("link[rel=canonical]").href = "/other";
      document.body.insertAdjacentHTML("beforeend", "<p>#{"Lamps by script. " * 10}</p><a href=/by-script>more</a>");
      console.warn("careful"); lamps();
    JS
    "/private/menu.js" => [200, JS, "document.title = 'Never'"],
    "/moved" => "<title>m</title><script>location.replace('/scripted')</script>",
    "/endless" => "<title>e</title><p>Still here</p><script>while (true) {}</script>",
    "/hops" => "<title>h</title><script>location.href = '/hops?' + Math.random()</script>",
    "/glutton" => "<script>let all = []; while (true) all.push(new Array(1000).fill(Math.random()))</script>",
    "/dialogs" =>
      "<script>alert('one'); confirm('two'); prompt('three'); window.open('/other')</script><p>After all</p>",
    "/out" => <<~HTML,
      <script>
        const say = (what) => (why) => console.log(what + " failed");
        fetch("http://169.254.169.254/latest/meta-data").catch(say("metadata"));
        fetch("http://127.0.0.1:PORT/scripted").catch(say("loopback"));
        fetch("http://small.example/scripted", { method: "POST", body: "x" }).catch(say("post"));
        new WebSocket("ws://127.0.0.1:PORT/").onerror = say("socket");
      </script>
      <iframe src="file:///etc/passwd"></iframe><img src="ftp://small.example/x.png">
    HTML
    "/file" => [200, {"content-type" => "application/octet-stream", "content-disposition" => "attachment"}, "bytes"],
    "/picture" => [200, {"content-type" => "image/png"}, "png"],
    "/many" => "<script>for (let i = 0; i < 230; i++) fetch('/app.js?' + i)</script>",
    "/slow" => "<title>s</title><p>Here</p><script>fetch('/held')</script>",
    "/held" => ->(_) { HELD.pop || [200, JS, ""] }
  }.freeze
  # What is asked for here isn't answered before it is closed.
  HELD = Thread::Queue.new

  class << self
    def site = @site ||= SmallSite.new(with_port)

    def pool = @pool ||= Rendering::Pool.new(way, size: 1).tap { |pool| Minitest.after_run { pool.close } }

    private

    # Where this machine's own addresses would be reached, if they could be.
    def with_port
      port = SiteServer.new(->(_) { raise "It got out" }).port
      PAGES.transform_values { |page| page.is_a?(String) ? page.gsub("PORT", port.to_s) : page }
    end

    def way
      settings =
        Core::Settings::Crawl.new(
          "start_urls" => ["#{SITE}/"],
          "resolve" => {"small.example:80" => "127.0.0.1:#{site.port}"}
        )
      Rendering::RequestPolicy.new(
        addresses: IronTrellis::Fetch::Http::HostResolver.of(settings),
        profile: IronTrellis::Fetch::Http::RequestProfile.of(settings, Core::Settings::Secrets.new({})),
        token: settings.agent
      )
    end
  end

  def test_scripts_change_what_was_sent_and_each_change_is_told
    told = render("/scripted", screenshot: true)
    assert_equal ["quiet", 200, "#{SITE}/scripted"], [told.ended_by, told.status, told.final_url]
    refute_includes told.text, "Hidden"
    reading = Core::Rendering::Reading.new(told, agent: "IronTrellis")
    changes = reading.differences.to_h { |one| [one.what, [one.raw, one.rendered]] }
    assert_equal %w[Before After], changes["title"]
    assert_equal ["#{SITE}/scripted", "#{SITE}/other"], changes["canonical"]
    assert_equal [[], ["#{SITE}/by-script"]], changes["links"]
    assert_operator changes["text"].last, :>, 30
    refute changes.key?("noindex")
    outcomes = told.requests.to_h { |one| [one.url.delete_prefix(SITE), one.outcome] }
    assert_equal({
      "/scripted" => "loaded",
      "/app.js" => "loaded",
      "/private/menu.js" => "blocked",
      "/gone.png" => "failed"
    },
      outcomes)
    assert_includes told.console.map { |one| one.values_at("level", "text") }, %w[warning careful]
    assert(told.console.any? { |one| one["text"].include?("lamps is not defined") && one["url"] == "#{SITE}/app.js" })
    desk, phone = told.layouts
    refute_predicate desk, :too_wide?
    assert_equal [390, true, 1], [phone.width, phone.too_wide?, desk.small_targets]
    assert_equal "RIFF", told.screenshot[0, 4]
  end

  def test_a_visitor_is_kept_from_nothing_and_says_so_who_it_is
    told = render("/scripted", agent: "visitor")
    assert_equal "loaded", told.requests.find { |one| one.url.end_with?("/private/menu.js") }.outcome
    asked = self.class.site.requests.reverse.find { |one| one.target == "/private/menu.js" }
    assert_match(/Mozilla.*Chrome/, asked.headers["user-agent"])
    refute_match(/Headless/, asked.headers["user-agent"])
  end

  def test_where_scripts_lead_elsewhere_that_is_told
    told = render("/moved")
    assert_equal ["#{SITE}/scripted", "After"], [told.final_url, told.html[/<title>(.*?)</, 1]]
  end

  def test_scripts_that_never_end_are_ended
    told = render("/endless")
    assert_equal ["time", nil], [told.ended_by, told.error]
    assert_includes told.text, "Still here"
    assert_fine_afterwards
  end

  def test_a_page_that_goes_on_and_on_is_left
    assert_equal "navigations", render("/hops").ended_by
    assert_fine_afterwards
  end

  def test_a_page_that_eats_memory_is_ended_alone
    told = render("/glutton")
    assert_includes %w[memory crashed], told.error
    assert_fine_afterwards
  end

  def test_dialogs_are_closed_and_told
    told = render("/dialogs")
    assert_includes told.text, "After all"
    assert_equal 3, told.console.count { |one| one["level"] == "dialog" }
  end

  # The server on this machine raises if anybody comes.
  def test_nothing_gets_out_but_through_our_rules
    told = render("/out")
    asked = told.requests.to_h { |one| [one.url, one.why.to_s] }
    assert_match(/private address/, asked["http://169.254.169.254/latest/meta-data"])
    assert_match(/private address/, asked.find { |url, _| url.start_with?("http://127.0.0.1:") }.last)
    assert_match(/read, not send/, told.requests.find { |one| one.outcome == "refused" && one.type == "XHR" }.why)
    words = told.console.map { |one| one["text"] }.join("\n")
    %w[metadata loopback post socket].each { |what| assert_includes words, "#{what} failed" }
    refute_includes told.html.to_s, "root:"
  end

  def test_what_is_no_page_is_told
    assert_equal %w[not_html not_html blocked no_answer],
      ["/file", "/picture", "/private/x", "http://nowhere.invalid/"].map { |path| render(path).error }
    assert_equal "no_answer", render("http://169.254.1.1/").error
  end

  def test_a_page_may_ask_for_so_much
    told = render("/many")
    assert_operator told.requests.count { |one| one.outcome == "refused" }, :>=, 25
    assert_operator told.requests.count { |one| one.outcome == "loaded" }, :<=, Rendering::Requests::MOST
  end

  def test_a_network_that_is_never_quiet_ends_by_time
    told = render("/slow")
    assert_equal "time", told.ended_by
    assert_includes told.text, "Here"
  ensure
    HELD.close
  end

  private

  def render(path, **how)
    url = path.start_with?("/") ? "#{SITE}#{path}" : path
    self.class.pool.render(Core::Url::NormalForm.parse(url), **how)
  end

  def assert_fine_afterwards = assert_equal "After", render("/moved").html[/<title>(.*?)</, 1]
end
