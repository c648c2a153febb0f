# frozen_string_literal: true

require_relative "../test_helper"

# Crawls that start by themselves: each once, however many workers look, and a time that was missed is made up for once.
class TimetablesTest < Minitest::Test
  include TestDatabase

  Store = IronTrellis::Store
  Runs = IronTrellis::Work::Crawling::Runs
  MONDAY = Time.utc(2026, 11, 23, 4, 30)

  def setup
    super
    Store::Crawling::Timetable.delete_all
    settings = IronTrellis::Core::Settings::Crawl.new("start_urls" => ["http://timetable.example/"])
    @site = Store::Sites::Site.register(name: "timetable #{SecureRandom.hex(6)}", settings: settings)
    Store::Crawling::Timetable.keep(
      @site,
      IronTrellis::Core::Settings::Timetable.new(cron: "30 4 * * mon", time_zone: "UTC"),
      MONDAY - 3600
    )
  end

  def test_a_crawl_starts_when_its_time_has_come_and_once_only
    assert_equal 0, Runs.start_due(MONDAY - 1)
    assert_equal 1, Runs.start_due(MONDAY)
    finish
    assert_equal 0, Runs.start_due(MONDAY + 1)
    assert_equal MONDAY + 7 * 86_400, @site.reload.timetable.next_at
  end

  def test_times_that_were_missed_are_made_up_for_once
    assert_equal 1, Runs.start_due(MONDAY + 30 * 86_400)
    finish
    assert_equal 0, Runs.start_due(MONDAY + 30 * 86_400 + 60)
  end

  def test_while_a_crawl_of_the_site_runs_none_is_started_but_afterwards
    crawl = Runs.start(@site, now: MONDAY)
    assert_equal 0, Runs.start_due(MONDAY)
    crawl.update!(state: "finished")
    assert_equal 1, Runs.start_due(MONDAY + 600)
  end

  def test_several_workers_that_look_at_once_start_one_crawl
    started =
      Array
        .new(4) { Thread.new { ActiveRecord::Base.connection_pool.with_connection { Runs.start_due(MONDAY) } } }
        .sum(&:value)

    assert_equal [1, 1], [started, @site.crawls.count]
  end

  def test_it_looks_every_few_seconds_only
    times = [MONDAY, MONDAY + 5, MONDAY + 20]
    ticking = IronTrellis::Work::Runtime::Timetables.new([Runs.method(:start_due)], clock: -> { times.shift })
    ticking.tick
    finish
    @site.reload.timetable.update!(next_at: MONDAY)
    ticking.tick
    assert_equal 1, @site.crawls.count
    ticking.tick
    assert_equal 2, @site.crawls.count
  end

  private

  def finish = @site.crawls.reload.each { |crawl| crawl.update!(state: "finished") }
end
