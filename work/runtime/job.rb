# frozen_string_literal: true

require "que"

module IronTrellis
  module Work
    module Runtime
      # A slice of background work, at most 20 seconds long, which enqueues its successor in the transaction that ends it.
      # Safe to run twice: a worker may die at any moment and another takes the job again.
      class Job < Que::Job
        SECONDS = 20

        # Tried again soon at first, then less often; after some tries the job stays as data to be looked at.
        self.maximum_retry_count = 5
        self.retry_interval = ->(count) { [count**3, 60].min }

        private

        def now = Time.now

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end
