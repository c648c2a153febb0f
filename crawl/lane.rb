# frozen_string_literal: true

module IronTrellis
  module Crawl
    # The requests to one host: so many at once, so many a second.
    class Lane
      # @param concurrency [Integer] threads
      # @param rate [Numeric] requests a second, 0 for no limit
      # @param results [Queue] where outcomes go
      # @yield makes the worker of one thread, which is called with each item and answers #close
      def initialize(concurrency:, rate:, results:, &make_worker)
        @items = Queue.new
        @gap = rate.zero? ? 0 : 1.0 / rate
        @next_at = 0
        @lock = Mutex.new
        @results = results
        @threads = Array.new(concurrency) { Thread.new { run(make_worker.call) } }
      end

      # @param item [Object]
      def <<(item) = @items << item

      # Ends when what it holds is done.
      #
      # @return [void]
      def close
        @items.close
        @threads.each(&:join)
      end

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

      private

      def run(worker)
        while (item = @items.pop)
          wait_turn
          @results << outcome(worker, item)
        end
      ensure
        worker.close
      end

      # An error of ours must reach the slice, which fails as a job and shows why.
      def outcome(worker, item)
        worker.call(item)
      rescue => error
        error
      end

      def wait_turn
        return if @gap.zero?

        pause = @lock.synchronize do
          now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
          turn = [@next_at, now].max
          @next_at = turn + @gap
          turn - now
        end
        sleep(pause) if pause.positive?
      end
    end
  end
end
