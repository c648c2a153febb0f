# frozen_string_literal: true

require_relative "../test_helper"

# Crawls that are cut short, and those that are old.
class WatchTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  Work = IronTrellis::Work
  Store = IronTrellis::Store
  PAGE = "<html><head><title>Home</title></head><body>Home</body></html>"

  def begun(**settings)
    site = made_site(SmallSite.new("/" => PAGE), settings, {})
    Work::Crawling::Runs.start(site, now: Time.now, slots: 2, queue: "watch-#{SecureRandom.hex(6)}")
  end

  def jobs(queue) =
    Store::Postgres::Sql.run("SELECT count(*) FROM que_jobs WHERE queue = $1", [queue]).getvalue(0, 0).to_i

  def test_a_crawl_of_whose_maker_nothing_is_heard_is_ended_with_its_jobs
    watched, plain = begun, begun
    Work::Crawling::Watch.watch(watched, Time.now)
    Work::Crawling::Watch.end_abandoned(Time.now + 5)
    assert_equal "waiting", watched.reload.state
    Work::Crawling::Watch.end_abandoned(Time.now + 60)
    assert_equal [%w[failed waiting], [0, 2]],
      [
        [watched, plain].map { |crawl| crawl.reload.state },
        [watched, plain].map { |crawl| jobs(crawl.queue) }
      ]
    assert_match(/interrupted/, watched.message)
  end

  def test_what_was_fetched_before_can_be_judged
    crawl = begun
    crawl.advance("waiting", "crawling", started_at: Time.now)
    Work::Crawling::Session.new(crawl, slot: 0, clock: -> { Time.now }).run { false }
    assert Work::Crawling::Watch.end_it(crawl, Time.now)
    Work::Judging::JudgingQueue.of_interrupted(crawl, now: Time.now)
    Work::Runtime::Queue.work(queues: ["crawl"], threads: 1) { crawl.reload.ended? }
    assert_equal ["finished", 200], [crawl.state, rows_of(crawl)["/"]["status"]]
    assert_raises(IronTrellis::Core::Error::Conflict) do
      Work::Judging::JudgingQueue.of_interrupted(crawl, now: Time.now)
    end
  end

  def test_old_crawls_are_dropped_but_for_those_that_are_marked
    server = SmallSite.new("/" => PAGE)
    site = made_site(server, {keep_crawls: 2}, {})
    crawls = Array.new(4) { crawl_here(server, site: site).tap { |crawl| crawl.update!(state: "finished") } }
    crawls.first.update!(kept: true)
    assert_equal 1, Work::Sites::Pruning.call(site)
    assert_equal [4, 3, 1], site.crawls.reload.map(&:number)
    site.update!(settings: site.settings.merge("keep_crawls" => 0))
    assert_equal 0, Work::Sites::Pruning.call(site.reload)
  end
end
