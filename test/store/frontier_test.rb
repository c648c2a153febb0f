# frozen_string_literal: true

require_relative "../test_helper"

class FrontierTest < Minitest::Test
  include TestDatabase
  include PlainCrawl

  Frontier = IronTrellis::Store::Crawling::Frontier
  Leases = IronTrellis::Store::Crawling::Leases
  Sql = IronTrellis::Store::Postgres::Sql
  TOKEN = 7

  def setup
    super
    @crawl = plain_crawl
    @frontier, @leases = @crawl.frontier, @crawl.leases
  end

  def lease(count, token: TOKEN, slot: 0, limit: 1000) =
    @leases.lease(slot, token, counts: {host_of(@crawl) => count}, limit: limit)

  def names(items) = items.map { |item| item.url[/[^\/]+\z/] }

  def row(name) =
    Sql.rows(
      "SELECT state, purpose, depth, hops, reason, tries, crashes FROM frontier_#{@crawl.id} WHERE url_id = $1",
      [id_of(name)]
    ).first

  def state(name) = Frontier::STATES.key(row(name)["state"])

  def taken = @crawl.reload.taken

  # The order in which workers store what they found must not show.
  def test_mentions_of_a_url_come_to_the_same_row_in_every_order
    mentions = [
      {purpose: :external, depth: 4},
      {purpose: :page, depth: 3, reason: :nofollow},
      {purpose: :page, depth: 2, hops: 1},
      {purpose: :page, depth: 2, hops: 0},
      {purpose: :resource, depth: 1}
    ]
    rows = mentions.permutation.map do |order|
      Sql.run("DELETE FROM frontier_#{@crawl.id}")
      order.each { |mention| @frontier.add(entries(@crawl, "a", **mention)) }
      row("a")
    end

    assert_equal 1, rows.uniq.size, rows.uniq.inspect
    assert_equal [Frontier::STATES[:waiting], Frontier::PURPOSES[:page], 1, 0, nil],
      rows.first.values_at("state", "purpose", "depth", "hops", "reason")
  end

  def test_a_url_that_is_done_is_not_opened_again_by_another_mention
    @frontier.add(entries(@crawl, "a", depth: 3))
    @leases.close(lease(1).map(&:id), TOKEN)
    @frontier.add(entries(@crawl, "a", depth: 1))

    assert_equal :done, state("a")
  end

  def test_leases_go_nearest_to_the_start_first_and_to_one_holder_each
    @frontier.add(entries(@crawl, "b", "d", depth: 2) + entries(@crawl, "c", depth: 1) + entries(@crawl, "a", depth: 3))

    assert_equal %w[c b], names(lease(2))
    assert_equal %w[d a], names(lease(5, token: 8, slot: 1))
    assert_empty lease(5)
  end

  def test_the_limit_holds_exactly_and_what_is_given_back_counts_again
    @frontier.add(entries(@crawl, *"a".."j"))

    assert_equal 3, lease(3, limit: 4).size
    assert_equal 1, lease(3, limit: 4).size
    assert_empty lease(3, limit: 4)
    @leases.release(0)
    assert_equal 0, taken
    assert_equal 4, lease(10, limit: 4).size
  end

  def test_what_is_leased_is_counted_by_two_at_once_as_by_one
    @frontier.add(entries(@crawl, *("aa".."dz")))
    takers = Array.new(4) do |slot|
      Thread.new do
        ActiveRecord::Base.connection_pool.with_connection do
          Array.new(10) { lease(3, slot: slot, token: slot, limit: 70) }.flatten
        end
      end
    end
    items = takers.flat_map(&:value)

    assert_equal 70, items.size
    assert_equal 70, items.map(&:id).uniq.size
    assert_equal 70, taken
  end

  def test_only_the_holder_of_a_lease_may_close_it_or_put_it_off
    @frontier.add(entries(@crawl, "a", "b"))
    ids = lease(2).map(&:id)

    assert_raises(Leases::Lost) { @leases.close(ids, TOKEN + 1) }
    @leases.release(0)
    assert_raises(Leases::Lost) { @leases.close(ids, TOKEN) }
    assert_raises(Leases::Lost) { @leases.put_off(ids, TOKEN, Time.now) }
  end

  def test_what_is_put_off_waits_again_when_its_time_has_come
    @frontier.add(entries(@crawl, "a"))
    @leases.put_off(lease(1).map(&:id), TOKEN, Time.now + 60)
    @frontier.wake(Time.now)

    assert_equal :deferred, state("a")
    assert_equal 0, taken
    @frontier.wake(Time.now + 61)
    assert_equal :waiting, state("a")
    assert_equal 1, lease(1).first.tries
  end

  def test_a_url_over_which_workers_die_is_set_apart_and_then_given_up
    @frontier.add(entries(@crawl, "a"))
    Frontier::MOST_CRASHES.times do
      refute lease(1).first.given_up?
      @leases.release_after_crash(0)
    end

    assert_equal :quarantined, state("a")
    assert_empty lease(1), "it takes others with it no more"
    until (item = @leases.lease_quarantined(0, TOKEN, [host_of(@crawl)])).given_up?
      @leases.release_after_crash(0)
    end
    assert_equal 2 * Frontier::MOST_CRASHES, item.crashes
  end

  def test_a_space_lends_no_more_than_it_has_room_for
    space = IronTrellis::Store::Crawling::Spaces.id(@crawl.id, "cap", "/a*", 2)
    @frontier.add(entries(@crawl, "a1", "a2", "a3", "a4", space_id: space) + entries(@crawl, "b", depth: 2))

    assert_equal %w[a1 a2], names(lease(4))
    assert_equal :skipped, state("a3")
    assert_equal Frontier::REASONS[:space], row("a4")["reason"]
    assert_equal %w[b], names(lease(4)), "others are lent instead"
    assert_equal [{"kind" => "cap", "space" => "/a*", "most" => 2}],
      IronTrellis::Store::Crawling::Spaces.named(@crawl.id)
  end

  def test_what_was_too_deep_and_is_not_is_opened
    @frontier.add(entries(@crawl, "a", "b", depth: 9, reason: :deep) + entries(@crawl, "c", reason: :nofollow))

    assert_equal [id_of("a"), id_of("b")], @frontier.too_deep.sort
    assert_equal 1, @frontier.deepen({id_of("a") => 3, id_of("c") => 1})
    assert_equal [3, nil], row("a").values_at("depth", "reason")
    assert_equal %w[a], names(lease(5))
  end

  def test_states_and_the_queue_are_counted
    @frontier.add(
      entries(@crawl, "a", "b", depth: 1) + entries(@crawl, "c", depth: 2) + entries(@crawl, "d", reason: :kind)
    )
    lease(1)

    assert_equal({1 => 1, 2 => 1}, @frontier.queue.transform_keys(&:to_i))
    assert_equal({waiting: 2, leased: 1, done: 0, skipped: 1, deferred: 0, quarantined: 0}, @frontier.counts)
    assert_equal({waiting: true, leased: true, deferred: false, quarantined: false}, @frontier.open_states)
  end
end
