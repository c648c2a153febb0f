# frozen_string_literal: true

module IronTrellis
  module Work
    # Starting and ending crawls.
    module Crawling
      QUEUE = "crawl"

      module_function

      # @param site [Store::Site]
      # @param now [Time]
      # @param slots [Integer] how many workers share it
      # @param queue [String]
      # @return [Store::Crawl]
      def start(site, now:, slots: 1, queue: QUEUE)
        ActiveRecord::Base.transaction do
          crawl = Store::Crawl.begin(site, now: now, slots: slots, queue: queue)
          slots.times { |slot| Queue.enqueue(Jobs::CrawlSlice, {crawl_id: crawl.id, slot: slot}, queue: queue) }
          crawl
        end
      end

      # Ends fetching early; what was fetched is judged.
      #
      # @param crawl [Store::Crawl]
      # @param now [Time]
      # @return [void]
      # @raise [Core::Error::Conflict] where it isn't running
      def stop(crawl, now:)
        return if end_fetching(crawl, now, message: "Stopped before the end: some URLs were not fetched.")

        raise Core::Error::Conflict.new("Crawl #{crawl.number} isn't fetching any more, so it can't be stopped.")
      end

      # @return [Boolean] whether it was this call that ended it
      def end_fetching(crawl, now, message: nil)
        ActiveRecord::Base.transaction do
          ended = [Store::Crawl::WAITING, Store::Crawl::CRAWLING].any? do |state|
            crawl.advance(state, Store::Crawl::JUDGING, fetching_ended_at: now, message: message)
          end
          Queue.enqueue(Jobs::Judge, {crawl_id: crawl.id}, queue: crawl.queue) if ended
          ended
        end
      end
    end
  end
end
