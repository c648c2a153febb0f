# frozen_string_literal: true

require_relative "../test_helper"

# Workers and their connections to the database are cut off at random moments; the crawl must end as if nothing had
# been.
class CrashTest < Minitest::Test
  include TestDatabase
  include Workers

  KILLS = 20
  SEED = 7410
  PAGES = 500
  RATE = 60
  AT_ONCE = 8

  def test_a_crawl_through_twenty_kills_ends_like_an_undisturbed_one
    calm = crawl("calm") { |crawl, _| wait_until(120) { crawl.reload.ended? } }
    struck = crawl("struck") { |crawl, workers| strike(crawl, workers) }

    assert_operator IronTrellis::Store::Crawling::Progress.of(calm).ok, :>, PAGES / 2
    expected = audit_rows(calm)
    audit_rows(struck).each { |name, rows| assert_equal expected[name], rows, name }
    assert_equal IronTrellis::Store::Crawling::Progress.of(calm).fetched,
      IronTrellis::Store::Crawling::Progress.of(struck).fetched,
      "something was counted twice, or not at all"
    assert_operator meter.most_at_once, :<=, AT_ONCE
    # What was meant to go out evenly may arrive in bunches, but no more than all slots can hold.
    assert_operator meter.most_in(3), :<=, 3 * RATE + AT_ONCE
  end

  private

  def crawl(name)
    queue = "crash-#{name}-#{SecureRandom.hex(6)}"
    crawl = IronTrellis::Work::Crawling::Runs.start(site(name), now: Time.now, slots: 2, queue: queue)
    workers = Array.new(2) { start_worker(queue) }
    yield crawl, workers
    wait_until(240) { crawl.reload.ended? }
    crawl
  ensure
    workers.each { |pid| end_worker(pid) }
  end

  # A plain site beside the demo's, slowed down so that there is a middle to be struck in.
  def site(name)
    settings =
      IronTrellis::Core::Settings::Crawl.new(
        "start_urls" => ["http://plain.example/"],
        "rate" => RATE,
        "concurrency" => AT_ONCE,
        "max_depth" => 3,
        "resolve" => {
          "plain.example:80" => "127.0.0.1:#{port}"
        }
      )
    IronTrellis::Store::Sites::Site.register(name: "crash #{name} #{SecureRandom.hex(6)}", settings: settings)
  end

  def meter
    require_relative "../../standins/generator/application"
    @@meter ||= Meter.new(PlainSite::Application.new(pages: PAGES, links: 12, words: 6))
  end

  def port = @@port ||= SiteServer.new(meter).port

  def strike(crawl, workers)
    random = Random.new(SEED)
    KILLS.times do |number|
      sleep random.rand(0.3..1.2)
      refute crawl.reload.ended?, "the crawl was over after #{number} of #{KILLS} kills"
      at = random.rand(workers.size)
      random.rand(3).zero? ? cut_connections(crawl) : replace(workers, at, crawl.queue)
    end
  end

  def replace(workers, at, queue)
    kill_worker(workers[at])
    workers[at] = start_worker(queue)
  end

  # All connections but ours.
  def cut_connections(_crawl)
    IronTrellis::Store::Postgres::Sql.run(
      "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = current_database() AND pid <> " \
      "pg_backend_pid()"
    )
  end
end
