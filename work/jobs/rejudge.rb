# frozen_string_literal: true

module IronTrellis
  module Work
    module Jobs
      # Works out the verdicts of a crawl again, after what its pages are judged by was changed. The facts stay.
      class Rejudge < Runtime::Job
        LONG = true
        LOOK_AGAIN_SECONDS = 1

        # (see Runtime::Job.explain)
        def self.explain(given) = "the verdicts of #{crawl_named(given["crawl_id"])}"

        def run(crawl_id:)
          crawl = Store::Crawling::Crawl.find_by(id: crawl_id)
          # Of several askings one answer is enough.
          return finish unless crawl&.judged_again?

          Judging::Judgement.alone(crawl, clock: -> { now }) ? ended(crawl) : look_again(crawl)
        end

        # @return [void]
        def given_up(error)
          Store::Crawling::Crawl.where(id: que_attrs[:kwargs][:crawl_id]).update_all(judging_error: explain(error))
        end

        private

        def ended(crawl)
          crawl.with_lock do
            Judging::JudgingQueue.follow_up(crawl, now)
            Runtime::Queue.enqueue_once("RemakeFixes", {site_id: crawl.site_id})
            finish
          end
          Store::Judging::VerdictRun.drop_old(crawl, now)
        end

        def look_again(crawl)
          ActiveRecord::Base.transaction do
            Runtime::Queue.enqueue(
              "Rejudge",
              {crawl_id: crawl.id},
              at: now + LOOK_AGAIN_SECONDS
            )
            finish
          end
        end
      end
    end
  end
end
