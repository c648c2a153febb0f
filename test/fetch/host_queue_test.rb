# frozen_string_literal: true

require_relative "../test_helper"

# What a queue promises: its slots, its rate, nothing begun without the right to ask, nothing lost.
class LaneTest < Minitest::Test
  Lane = IronTrellis::Fetch::Crawling::HostQueue
  Slot = Struct.new(:wait, :fresh)

  # Notes when it was called, by a clock that only goes forward.
  class Asker
    attr_reader :calls, :most, :closed

    def initialize(delay: 0, seconds: 0)
      @delay, @seconds = delay, seconds
      @calls, @now, @most, @closed = [], 0, 0, 0
      @lock = Mutex.new
    end

    def prepare(_item) = @delay

    def call(item)
      @lock.synchronize do
        @calls << Process.clock_gettime(Process::CLOCK_MONOTONIC)
        @now += 1
        @most = [@most, @now].max
      end
      sleep @seconds
      @lock.synchronize { @now -= 1 }
      raise item if item.is_a?(Exception)

      "done #{item}"
    end

    def close = @lock.synchronize { @closed += 1 }
  end

  def queue(asker, slots: 1, of: slots, rate: 0, fresh: false, allowed: -> { true })
    @results = Thread::Queue.new
    Lane
      .new("a.test", of: of, rate: rate, results: @results, allowed: allowed) { asker }
      .tap { |one| one.grow(Array.new(slots) { Slot.new(0, fresh) }) }
  end

  def results(count) = Array.new(count) { @results.pop.drop(1) }

  # @return [Float] seconds from before the first was handed in until the last was begun, which no busy machine can make
  #   shorter
  def span(subject, asker, count)
    began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    count.times { |number| subject << number }
    results(count)
    subject.close
    asker.calls.max - began
  end

  # The next turn comes in a quarter of an hour.
  def test_the_first_request_of_a_slot_that_nobody_had_goes_at_once
    {[true, 0] => 3, [false, 0] => 1, [true, 900] => 1}.each do |(fresh, delay), begun|
      asker = Asker.new(delay: delay)
      subject = queue(asker, slots: 3, rate: 0.001, fresh: fresh)
      5.times { |number| subject << number }
      results(begun)
      subject.close
      assert_equal begun, asker.calls.size
    end
  end

  def test_every_item_comes_back_with_its_outcome
    asker = Asker.new
    subject = queue(asker, slots: 3)
    10.times { |number| subject << number }

    assert_equal (0..9).map { |number| [number, "done #{number}"] }, results(10).sort_by(&:first)
    subject.close
    assert_equal 3, asker.closed
  end

  def test_no_more_at_once_than_there_are_slots
    asker = Asker.new(seconds: 0.02)
    subject = queue(asker, slots: 2)
    8.times { |number| subject << number }
    results(8)
    subject.close

    assert_equal 2, asker.most
  end

  def test_the_rate_is_that_of_all_slots_together_and_a_part_of_them_has_its_part
    whole = Asker.new
    assert_operator span(queue(whole, slots: 2, rate: 20), whole, 6), :>=, 5 * 0.05

    part = Asker.new
    assert_operator span(queue(part, slots: 1, of: 2, rate: 20), part, 4), :>=, 3 * 0.1
  end

  # The first request was asked for before anything was known of the host.
  def test_a_longer_pause_that_the_host_asks_for_counts_for_each_request
    asker = Asker.new(delay: 0.08)

    assert_operator span(queue(asker, rate: 1000), asker, 4), :>=, 2 * 0.08
  end

  def test_nothing_is_begun_while_it_may_not_ask
    may = false
    asker = Asker.new
    subject = queue(asker, allowed: -> { may })
    subject << 1
    sleep 0.15
    assert_empty asker.calls
    may = true

    assert_equal [[1, "done 1"]], results(1)
    subject.close
  end

  def test_closing_gives_back_what_it_never_might_begin
    subject = queue(Asker.new, allowed: -> { false })
    subject << 1
    sleep 0.05
    subject << 2

    assert_equal [2], subject.abandon
    subject.close
    assert_equal [[1, nil]], results(1)
  end

  def test_an_error_of_ours_comes_back_as_the_outcome
    subject = queue(Asker.new)
    subject << ArgumentError.new("ours")

    assert_kind_of ArgumentError, results(1).first.last
    subject.close
  end

  def test_slots_given_up_say_how_long_their_next_request_must_wait
    subject = queue(Asker.new, slots: 2, rate: 2)
    subject << 1
    results(1)
    freed = subject.shrink(1)

    assert_equal [1, 1], [freed.size, subject.slots.size]
    assert_in_delta 0.5, freed.first.wait, 0.4
    subject.close
  end
end
