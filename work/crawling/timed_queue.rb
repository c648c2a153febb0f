# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # A queue that is waited on for so long at most, without looking again and again (Ruby's own can from 3.2 on).
      class TimedQueue
        def initialize
          @items = []
          @lock = Mutex.new
          @filled = ConditionVariable.new
        end

        # @param item [Object]
        # @return [void]
        def <<(item)
          @lock.synchronize do
            @items << item
            @filled.signal
          end
        end

        # @param seconds [Numeric]
        # @return [Object, nil] the oldest; nil where none came in that time
        def pop(seconds)
          @lock.synchronize do
            deadline = monotonic + seconds
            while @items.empty?
              left = deadline - monotonic
              return nil if left <= 0

              @filled.wait(@lock, left)
            end
            @items.shift
          end
        end

        private

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end
