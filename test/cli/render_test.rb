# frozen_string_literal: true

require_relative "../test_helper"

# The command render, as pages come out of a browser: what it writes, and what it says where there is no page.
class RenderTest < Minitest::Test
  include AuditRun

  PAGE = <<~HTML
    <html lang=en><head><title>Sent</title><meta name=viewport content="width=device-width"></head><body><h1>Lamps</h1>
    <script>document.title = "By script"; console.error("no oil");
    document.body.insertAdjacentHTML("beforeend", "<p>Brass lamps burn oil.</p><a href=/more>More</a>")</script>
    <script src=/kept/a.js></script><img src=/there.png></body></html>
  HTML
  PAGES = {
    "/" => PAGE,
    "/robots.txt" => [200, {"content-type" => "text/plain"}, "User-agent: *\nDisallow: /kept/\n"],
    "/kept/a.js" => [200, {"content-type" => "text/javascript"}, "document.body.append('by the visitor')"],
    "/there.png" => [404, {"content-type" => "text/plain"}, "no"],
    "/file" => [200, {"content-type" => "application/pdf"}, "%PDF-1.4"],
    "/away" => "<script>fetch('http://169.254.169.254/').catch(() => document.body.append('refused'))</script>"
  }.freeze

  def self.site = @site ||= SmallSite.new(PAGES)

  def rendered(path = "/", *options)
    Dir.mktmpdir("render") do |folder|
      address = "http://127.0.0.1:#{self.class.site.port}#{path}"
      result = trellis("render", address, "--out", folder, "--allow-private", *options)
      yield result, Dir.children(folder).to_h { |name| [name, File.binread(File.join(folder, name))] }
    end
  end

  def test_what_came_of_it_is_written_into_four_files
    rendered do |result, files|
      assert_equal 0, result.code, result.err
      assert_equal %w[render.json rendered.html screenshot.webp text.txt], files.keys.sort
      assert_includes files["rendered.html"], "<title>By script</title>"
      assert_includes files["text.txt"].force_encoding("UTF-8"), "Brass lamps burn oil."
      assert_equal %w[RIFF WEBP], [files["screenshot.webp"][0, 4], files["screenshot.webp"][8, 4]]
      told = JSON.parse(files["render.json"])
      assert_equal [200, "quiet", 1280], told.values_at("status", "ended_by", "width")
      title = told["differences"].find { |one| one["what"] == "title" }
      assert_equal ["Sent", "By script", "By script"], [*title.values_at("raw", "rendered"), told["title"]]
      assert_includes told["console"].map { |one| one["text"] }, "no oil"
    end
  end

  def test_every_request_is_told_with_what_became_of_it
    rendered do |_, files|
      requests = JSON.parse(files["render.json"])["requests"].to_h { |one| [one["url"][%r{\d(/.*)}, 1], one] }
      assert_equal %w[loaded blocked], requests.values_at("/", "/kept/a.js").map { |one| one["outcome"] }
      assert_equal 404, requests["/there.png"]["status"]
    end
  end

  def test_a_visitor_sees_what_robots_txt_keeps_from_crawlers
    rendered("/", "--agent", "visitor") do |_, files|
      assert_includes files["text.txt"].force_encoding("UTF-8"), "by the visitor"
    end
    rendered { |_, files| refute_includes files["text.txt"].force_encoding("UTF-8"), "by the visitor" }
  end

  def test_the_window_is_as_wide_as_was_asked_for
    rendered("/", "--width", "390") do |_, files|
      assert_includes JSON.parse(files["render.json"])["layouts"].map { |one| one["width"] }, 390
    end
    %w[100 9000 x].each { |width| rendered("/", "--width", width) { |result, _| assert_equal 2, result.code, width } }
  end

  # Nothing leads out to addresses that lie on the machine's own network, whatever a page asks for.
  def test_a_page_gets_nothing_from_a_link_local_address
    rendered("/away") do |result, files|
      assert_equal 0, result.code
      request = JSON.parse(files["render.json"])["requests"].find { |one| one["url"].include?("169.254") }
      refute_equal "loaded", request["outcome"]
      assert_includes request["why"], "private"
      assert_includes files["text.txt"].force_encoding("UTF-8"), "refused"
    end
  end

  def test_where_there_is_no_page_it_says_why
    rendered("/file") do |result, _|
      assert_equal [3, true], [result.code, result.err.include?("it is application/pdf")], result.err
    end
    private_one = trellis("render", "http://127.0.0.1:1/", "--out", Dir.mktmpdir("render"))
    assert_equal 3, private_one.code
    assert_includes private_one.err, "private address"
    assert_equal 2, trellis("render", "http://a.test/", "--out", "/tmp/r", "--agent", "robot").code
    assert_equal 2, trellis("render", "lamps", "--out", Dir.mktmpdir("render")).code
  end
end
