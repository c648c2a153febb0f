# frozen_string_literal: true

require "que"

module IronTrellis
  module Work
    module Runtime
      # A slice of background work, at most 20 seconds long, which enqueues its successor in the transaction that ends
      # it. Safe to run twice: a worker may die at any moment and another takes the job again.
      class Job < Que::Job
        SECONDS = 20
        MOST_TRIES = 5

        # Tried again soon at first, then less often; after some tries the job stays as data to be looked at.
        self.maximum_retry_count = MOST_TRIES
        self.retry_interval = ->(count) { [count**3, 60].min }

        # Told when it was tried as often as it may be, with what went wrong the last time. A job that somebody waits
        # for says so here.
        #
        # @param error [Exception]
        # @return [void]
        def given_up(error)
        end

        private

        # What was done leaves nothing behind.
        def finish = destroy

        # The job engine's way of saying that a try failed.
        def handle_error(error)
          given_up(error) if error_count > MOST_TRIES
          super
        end

        # @param error [Exception]
        # @return [String] for people
        def told(error) =
          error.is_a?(Core::Error) ? error.message : "#{error.message.lines.first&.strip} (#{error.class})"

        def now = Time.now

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end
