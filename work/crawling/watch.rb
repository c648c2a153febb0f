# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # A crawl on a queue of its own, which nobody works but those whom its maker started: when the maker is gone it
      # would go on for ever. The maker says now and then that it is there; whoever looks after crawls ends those of
      # which nothing was heard.
      module Watch
        SECONDS = 2
        # Nothing heard for so long counts as gone.
        GONE_SECONDS = 30
        INTERRUPTED = "It was interrupted: some URLs were not fetched, and what was fetched isn't judged."

        module_function

        # @param crawl [Store::Crawling::Crawl]
        # @param now [Time]
        # @return [void]
        def watch(crawl, now) = crawl.update_columns(watched_at: now)

        # Ends a crawl as far as it came, with all its jobs.
        #
        # @param crawl [Store::Crawling::Crawl]
        # @param now [Time]
        # @return [Boolean] whether it was this call that ended it
        def end_it(crawl, now)
          ActiveRecord::Base.transaction do
            ended = [*Store::Crawling::Crawl::FETCHING, Store::Crawling::Crawl::JUDGING].any? do |state|
              crawl.advance(
                state,
                Store::Crawling::Crawl::FAILED,
                message: INTERRUPTED,
                fetching_ended_at: crawl.fetching_ended_at || now
              )
            end
            Runtime::Queue.clear(crawl.queue) if ended
            ended
          end
        end

        # @param now [Time]
        # @return [Integer] how many were ended
        def end_abandoned(now)
          open =
            Store::Crawling::Crawl
              .where.not(state: Store::Crawling::Crawl::ENDED)
              .where("watched_at < ?", now - GONE_SECONDS)
          open.count { |crawl| end_it(crawl, now) }
        end
      end
    end
  end
end
