# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Crawling
      # The requests to one host: as many at once as it holds slots, at its share of the rate, which counts from the
      # first of each slot that nobody had before. It asks for nothing while the right to ask isn't renewed.
      class HostQueue
        # How long a thread sleeps before it looks again whether it may ask.
        LOOK_SECONDS = 0.05

        attr_reader :authority, :slots

        # @param authority [String] of the host
        # @param of [Integer] how many slots the host has in all
        # @param rate [Numeric] requests a second for all of them, 0 for no limit
        # @param results [Thread::Queue] where [queue, item, outcome] go; the outcome is nil where the item was not
        #   begun
        # @param allowed [#call] whether requests may be begun now
        # @yield makes the worker of one thread; it answers #prepare(item), which gives the seconds that must lie
        #   between two requests, #call(item) and #close
        def initialize(authority, of:, rate:, results:, allowed:, &make_worker)
          @authority = authority
          @of = of
          @rate = rate
          @results = results
          @allowed = allowed
          @make_worker = make_worker
          @items = Thread::Queue.new
          @slots = []
          @threads = []
          @lock = Mutex.new
          @delay = 0
          @next_at = 0
          @at_once = 0
        end

        # @param slots [Array<#wait, #fresh>] further slots to ask with
        # @return [void]
        def grow(slots)
          @slots.concat(slots)
          @lock.synchronize { @at_once += slots.count(&:fresh) }
          hold_back(slots.map(&:wait).max || 0)
          @threads << Thread.new { run(@make_worker.call) } while @threads.size < @slots.size
        end

        # @param count [Integer] slots to keep
        # @return [Array<#wait>] those given up, each with the seconds that its next request must be held back
        def shrink(count)
          freed = @slots.slice!(count..) || []
          freed.each { |slot| slot.wait = waiting }
        end

        # @param slots [Array<#wait>] that others have taken over
        # @return [void]
        def lose(slots)
          @slots -= slots if slots.any?
        end

        # @return [Float] seconds that one slot leaves between its requests
        def gap_of_a_slot = @of * [@rate.zero? ? 0.0 : 1.0 / @rate, @delay].max

        # Begins no request before so many seconds have passed.
        #
        # @return [void]
        def hold_back(seconds)
          @lock.synchronize do
            @next_at = [@next_at, now + seconds].max
            @at_once = 0 if seconds.positive?
          end
        end

        # @param item [Object]
        # @return [void]
        def <<(item) = @items << item

        # @return [Integer] items that nobody has begun
        def backlog = @items.size

        # Gives back what wasn't begun.
        #
        # @return [Array<Object>]
        def abandon
          left = []
          left << @items.pop(true) until @items.empty?
          left
        rescue ThreadError
          left
        end

        # Ends when what was begun is done.
        #
        # @return [void]
        def close
          @items.close
          @threads.each(&:join)
        end

        private

        def run(worker)
          until surplus?
            item = @items.pop or break
            @results << [self, item, outcome(worker, item)]
          end
        ensure
          worker.close
        end

        # A thread whose slot was given up ends.
        def surplus?
          @lock.synchronize { @threads.size > @slots.size && @threads.delete(Thread.current) }
        end

        # Nothing comes of an item whose turn didn't come while we held a slot for it. An error of ours must reach the
        # slice, which fails as a job and shows why.
        def outcome(worker, item)
          return nil if surplus_now? || !may_ask?

          @delay = worker.prepare(item)
          worker.call(item) if wait_turn && may_ask?
        rescue => error
          error
        end

        def surplus_now? = @lock.synchronize { @threads.size > @slots.size }

        def may_ask?
          sleep(LOOK_SECONDS) until @allowed.call || @items.closed?
          @allowed.call
        end

        # @return [Boolean] false where the queue was closed meanwhile
        def wait_turn
          turn = @lock.synchronize { at_once? ? now : [@next_at, now].max.tap { |at| @next_at = at + gap } }
          until (left = turn - now) <= 0
            return false if @items.closed?

            sleep([left, LOOK_SECONDS].min)
          end
          true
        end

        # A host that asks for a delay gets it from the first request on.
        def at_once?
          return false unless @at_once.positive? && @delay.zero?

          @at_once -= 1
          @next_at = [@next_at, now + gap].max
          true
        end

        def gap = @slots.empty? ? 0 : gap_of_a_slot / @slots.size

        def waiting = [@next_at - now, 0].max

        def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end
