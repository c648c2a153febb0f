# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # Keeps requests to each host so far apart as its speed asks.
      class Pace
        # @param rate [Float] requests a second; 0 for no limit
        def initialize(rate)
          @apart = rate.zero? ? 0 : 1.0 / rate
          @next = {}
          @lock = Mutex.new
        end

        # Waits until the host may be asked again.
        #
        # @param host [String]
        # @return [void]
        def wait(host)
          return if @apart.zero?

          turn = @lock.synchronize do
            now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
            mine = [@next.fetch(host, now), now].max
            @next[host] = mine + @apart
            mine - now
          end
          sleep(turn) if turn.positive?
        end
      end
    end
  end
end
