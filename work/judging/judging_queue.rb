# frozen_string_literal: true

module IronTrellis
  module Work
    module Judging
      # Having the verdicts of a crawl worked out, in a job: of each crawl one at a time, and whatever is changed
      # meanwhile is judged afterwards.
      module JudgingQueue
        module_function

        # What pages of a site are judged by was changed: those of its newest crawl are judged again, and a crawl that
        # is being judged will be.
        #
        # @param site [Store::Sites::Site]
        # @param now [Time]
        # @return [void]
        def changed(site, now:)
          ActiveRecord::Base.transaction do
            site.update_columns(judging_changed_at: now)
            site.newest_crawl&.then { |newest| again(newest, now: now) }
          end
        end

        # Has them worked out again; asked twice, it is one job. One that runs already is followed by another.
        #
        # @param crawl [Store::Crawling::Crawl] judged
        # @param now [Time]
        # @return [void]
        def again(crawl, now:)
          crawl.with_lock do
            crawl.update!(judging_asked_at: now, judging_error: nil)
            Runtime::Queue.enqueue_once("Rejudge", {crawl_id: crawl.id})
          end
        end

        # Has a crawl judged that was interrupted, or whose judging failed, as far as it came.
        #
        # @param crawl [Store::Crawling::Crawl]
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::Conflict] where it is neither
        def of_interrupted(crawl, now:)
          ended = crawl.fetching_ended_at || now
          crawl.with_lock do
            moved =
              crawl.advance(
                Store::Crawling::Crawl::FAILED,
                Store::Crawling::Crawl::JUDGING,
                fetching_ended_at: ended,
                started_at: crawl.started_at || now,
                queue: Runtime::Queue::SHARED,
                watched_at: nil,
                judging_error: nil,
                message: crawl.judging_error ? nil : "It was interrupted: some URLs were not fetched."
              )
            raise Core::Error::Conflict.new("Crawl #{crawl.number} wasn't interrupted.") unless moved

            Runtime::Queue.enqueue_once("Judge", {crawl_id: crawl.id})
          end
        end

        # A judging came to its end. Belongs into the transaction that ends its job.
        #
        # @param crawl [Store::Crawling::Crawl] locked
        # @param now [Time]
        # @return [void]
        def follow_up(crawl, now)
          began = crawl.verdict_run.started_at
          changed = crawl.site.reload.judging_changed_at
          if changed && changed > began && changed > (crawl.judging_asked_at || began)
            crawl.update!(judging_asked_at: changed)
          end
          if crawl.judged_again?
            Runtime::Queue.enqueue("Rejudge", {crawl_id: crawl.id})
          end
        end
      end
    end
  end
end
