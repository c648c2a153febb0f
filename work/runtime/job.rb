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
        # Whether it takes minutes, as what can't be cut into slices does.
        LONG = false

        # Tried again soon at first, then less often; after some tries the job stays as data to be looked at.
        self.maximum_retry_count = MOST_TRIES
        self.retry_interval = ->(count) { [count**3, 60].min }

        # @param _given [Hash{String => Object}] its arguments
        # @return [String] what it does, as a noun that follows "busy with"
        def self.explain(_given) = raise(NoMethodError, "#{self} must define explain(given)")

        def self.crawl_named(id)
          crawl = Store::Crawling::Crawl.find_by(id: id)
          crawl ? "crawl #{crawl.number} of #{crawl.site.name}" : "a crawl"
        end

        def self.site_named(id) = Store::Sites::Site.where(id: id).pick(:name) || "a site"
        private_class_method :crawl_named, :site_named

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
        def explain(error) = Failure.explain(error)

        def now = Time.now

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end
