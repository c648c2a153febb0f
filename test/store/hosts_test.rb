# frozen_string_literal: true

require_relative "../test_helper"

class HostsTest < Minitest::Test
  include TestDatabase
  include PlainCrawl

  Sql = IronTrellis::Store::Postgres::Sql

  def setup
    super
    @crawl = plain_crawl
    @hosts = IronTrellis::Store::Crawling::Hosts.new(@crawl)
    @host = host_of(@crawl)
  end

  def take(count, token, gap: 0.5) = @hosts.take(@host, count, of: 3, token: token, gap: gap)

  # As if so many seconds had gone by without a word.
  def let_lapse(token) =
    Sql.run(
      "UPDATE host_slots SET leased_until = clock_timestamp() - interval '1 second' WHERE lease_token = $1",
      [token]
    )

  def test_a_host_has_one_id
    assert_equal @host, IronTrellis::Store::Crawling::Hosts.new(@crawl).id("store.test")
    refute_equal @host, @hosts.id("other.test")
  end

  def test_all_together_hold_no_more_slots_than_there_are
    assert_equal 2, take(2, 1).size
    assert_equal 1, take(2, 2).size
    assert_empty take(2, 3)
  end

  def test_what_is_given_back_keeps_the_time_it_must_wait
    held = take(3, 1)
    held.first.wait = 2.0
    @hosts.give_back(held, 1)

    waits = take(3, 2).map(&:wait)
    assert_equal [0, 0], waits.min(2)
    assert_in_delta 2.0, waits.max, 0.5
  end

  def test_what_another_holds_is_not_given_back
    held = take(3, 1)
    @hosts.give_back(held, 2)

    assert_empty take(1, 2)
  end

  def test_a_lapsed_lease_is_taken_over_after_a_pause_and_its_holder_is_told
    take(3, 1)
    assert_equal({@host => [0, 1, 2]}, @hosts.renew(1).transform_values(&:sort))
    let_lapse(1)

    assert_equal [0.5], take(1, 2, gap: 0.5).map(&:wait), "nobody knows when it last asked"
    assert_equal [1, 2],
      [@hosts.renew(1), @hosts.renew(2)].map { |held| held[@host].size }.sort,
      "each renews what it still holds"
  end

  def test_hosts_with_work_are_those_with_urls_waiting_that_are_not_paused
    now = Time.now
    assert_empty @hosts.with_work(now)
    @crawl.frontier.add(entries(@crawl, "a"))
    assert_equal({@host => "store.test"}, @hosts.with_work(now))

    @hosts.pause(@host, now + 30)
    @hosts.pause(@host, now + 10)
    assert_empty @hosts.with_work(now + 20), "the longer wish counts"
    assert_equal [@host], @hosts.with_work(now + 31).keys
  end

  def test_each_slot_of_the_crawl_counts_for_itself
    @hosts.count(0, {@host => [3, 1, 40]})
    @hosts.count(0, {@host => [2, 0, 10]})
    @hosts.count(1, {@host => [5, 0, 50]})

    assert_equal [{"authority" => "store.test", "fetched" => 10, "failed" => 1, "mean_ms" => 10}],
      IronTrellis::Store::Crawling::CrawlMonitor.new(@crawl).call(Time.now)[:hosts].map { |row|
        row.transform_keys(&:to_s)
      }
  end
end
