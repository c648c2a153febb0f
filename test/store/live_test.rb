# frozen_string_literal: true

require_relative "../test_helper"

class LiveTest < Minitest::Test
  include TestDatabase
  include PlainCrawl

  Sql = IronTrellis::Store::Postgres::Sql
  START = Time.utc(2026, 3, 1, 12, 0, 0)

  def setup
    super
    @crawl = plain_crawl(limit: 500)
    @crawl.update!(state: "crawling", started_at: START)
  end

  def sample(seconds, fetched, slot: 0)
    Sql.run(
      "INSERT INTO crawl_beats (crawl_id, slot, at, fetched) VALUES ($1, $2, $3, $4)",
      [@crawl.id, slot, (START + seconds).iso8601(3), fetched]
    )
  end

  def progress(seconds) = IronTrellis::Store::Crawling::Progress.of(@crawl.reload, now: START + seconds)

  def live(seconds) = IronTrellis::Store::Crawling::CrawlMonitor.new(@crawl.reload).call(START + seconds)

  def test_progress_adds_up_what_all_slots_counted
    IronTrellis::Store::Crawling::Counters.add(
      @crawl.id,
      0,
      {"fetched" => 60, "ok" => 50, "redirected" => 10, "bytes" => 1000}
    )
    IronTrellis::Store::Crawling::Counters.add(@crawl.id, 1, {"fetched" => 40, "ok" => 30, "failed" => 10})
    IronTrellis::Store::Crawling::Counters.add(@crawl.id, 1, {"blocked" => 5})
    @crawl.update!(waiting_by_depth: {"1" => 20, "2" => 80})

    assert_equal [100, 80, 10, 10, 5, 1000, 100, 205],
      progress(10).to_h.values_at(
        :fetched,
        :ok,
        :redirected,
        :failed,
        :blocked,
        :bytes,
        :waiting,
        :known_urls
      )
  end

  def test_speed_is_that_of_the_last_while_and_tells_what_is_left
    sample(2, 400)
    assert_equal 100.0, progress(4).pages_per_second

    [50, 55, 59].each { |seconds| sample(seconds, 40) }
    @crawl.update!(waiting_by_depth: {"1" => 60})
    assert_equal [6.0, 10], progress(60).to_h.values_at(:pages_per_second, :seconds_left)
  end

  # No more is left than the limit lets through.
  def test_what_waits_beyond_the_limit_is_not_left
    IronTrellis::Store::Crawling::Counters.add(@crawl.id, 0, {"fetched" => 480})
    @crawl.update!(waiting_by_depth: {"3" => 900})

    assert_equal 20, progress(10).waiting
  end

  # What its workers told last is of a moment before the end.
  def test_after_fetching_what_is_left_and_known_is_counted
    frontier = @crawl.frontier
    IronTrellis::Store::Crawling::Counters.add(@crawl.id, 0, {"fetched" => 300})
    @crawl.update!(waiting_by_depth: {"2" => 137}, state: "judging", fetching_ended_at: START + 20)

    assert_equal [0, frontier.counts.values.sum], progress(30).to_h.values_at(:waiting, :known_urls)
  end

  def test_an_ended_crawl_has_its_mean_speed_and_nothing_left
    IronTrellis::Store::Crawling::Counters.add(@crawl.id, 0, {"fetched" => 300})
    @crawl.update!(state: "finished", fetching_ended_at: START + 20)

    assert_equal [15.0, nil], progress(999).to_h.values_at(:pages_per_second, :seconds_left)
  end

  def test_the_picture_of_the_speed_has_few_points_however_long_it_took
    1.step(3599, 2) { |seconds| sample(seconds, 20) }
    points = live(3600)[:speed]

    assert_operator points.size, :<=, IronTrellis::Store::Crawling::CrawlMonitor::POINTS
    assert_equal [10.0], points.map { |point| point[:per_second] }.uniq
  end

  def test_a_pause_shows_and_a_last_step_that_is_cut_short_counts_by_its_length
    sample(1, 40)
    sample(7, 40)
    @crawl.update!(state: "finished", fetching_ended_at: START + 7)

    assert_equal [20.0, 0.0, 0.0, 40.0], live(999)[:speed].map { |point| point[:per_second] }
  end

  def test_it_names_who_works_what_waits_and_what_went_wrong
    IronTrellis::Store::Crawling::CrawlSlots.seen(@crawl.id, 0, 1, "here:1", START + 99)
    IronTrellis::Store::Crawling::CrawlSlots.seen(@crawl.id, 1, 2, "there:2", START + 50)
    @crawl.update!(waiting_by_depth: {"10" => 1, "2" => 5})
    now = live(100)

    assert_equal [{"slot" => 0, "worker" => "here:1"}], now[:workers], "who wasn't heard of for long has gone"
    assert_equal [{depth: 2, waiting: 5}, {depth: 10, waiting: 1}], now[:queue]
    assert_empty now[:errors]
  end
end
