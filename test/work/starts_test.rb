# frozen_string_literal: true

require_relative "../test_helper"

# A site of which only the bare domain is given: https first, then http, and on to where it sends its visitors.
class StartsTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  Work = IronTrellis::Work
  Settings = IronTrellis::Core::Settings
  PAGE = "<html><head><title>Home</title></head><body>Home</body></html>"

  def search(server, start, **settings)
    both = ["small.example:80", "www.small.example:80"].to_h { |name| [name, "127.0.0.1:#{server.port}"] }
    found =
      Work::Crawling::StartSearch.new(
        Settings::Crawl.new({"start_urls" => [start], "resolve" => both}.merge(settings.transform_keys(&:to_s))),
        Settings::Secrets.new({})
      ).call
    [found.start_urls, found.hosts]
  end

  def test_what_is_written_without_a_scheme_is_a_start_of_its_own
    assert_equal %w[example.test/ example.test:8080/ example.test/shop https://a.test/],
      Settings::Crawl.new(
        "start_urls" => %w[Example.TEST example.test:8080 example.test/shop https://A.test]
      ).start_urls
    assert_equal "https://example.test/", Settings::Crawl.new("start_urls" => ["example.test"]).first_urls.first
    assert_raises(Settings::Problems) { Settings::Crawl.new("start_urls" => ["no domain"]) }
    assert_raises(Settings::Problems) { Settings::Crawl.new("start_urls" => ["word"]) }
  end

  def test_https_comes_first_then_http
    secure = TestAuthority.new
    port = secure.serve("small.example")
    plain = SmallSite.new("/" => PAGE)
    assert_equal [["https://small.example/"], []],
      search(
        plain,
        "small.example",
        resolve: {
          "small.example:443" => "127.0.0.1:#{port}",
          "small.example:80" => "127.0.0.1:#{plain.port}"
        },
        trusted_authority: secure.certificate.to_pem
      )
    assert_equal [["http://small.example/"], []], search(plain, "small.example")
    assert_equal [["https://nowhere.invalid/"], []], search(plain, "nowhere.invalid")
  end

  def test_it_goes_on_to_where_visitors_are_sent_on_the_same_site
    moved =
      SmallSite.new(
        "/" => ->(env) do
          (env["HTTP_HOST"] == "www.small.example") ? PAGE : [301, {"location" => "http://www.small.example/"}, ""]
        end
      )
    assert_equal [["http://www.small.example/"], ["small.example"]], search(moved, "small.example")
    away = SmallSite.new("/" => [301, {"location" => "http://elsewhere.example/"}, ""])
    assert_equal [["http://small.example/"], []], search(away, "small.example")
  end

  def test_the_crawl_begins_when_it_is_found_and_the_site_keeps_what_was_found
    server = SmallSite.new("/" => PAGE)
    site =
      IronTrellis::Store::Sites::Site.register(
        name: "bare #{SecureRandom.hex(6)}",
        settings:
          Settings::Crawl.new(
            "start_urls" => ["small.example"],
            "rate" => 0,
            "resolve" => {
              "small.example:80" => "127.0.0.1:#{server.port}"
            }
          )
      )
    queue = "bare-#{SecureRandom.hex(6)}"
    crawl = Work::Crawling::Runs.start(site, now: Time.now, slots: 1, queue: queue)
    Work::Runtime::Queue.work(queues: [queue], threads: 1) { crawl.reload.ended? }
    assert_equal [["http://small.example/"], ["http://small.example/"], "finished"],
      [
        site.reload.crawl_settings.start_urls,
        IronTrellis::Store::Crawling::Crawl.find(crawl.id).crawl_settings.start_urls,
        crawl.state
      ]
    assert_equal 200, rows_of(crawl)["/"]["status"]
  end
end
