# frozen_string_literal: true

module IronTrellis
  module Work
    module Jobs
      # Works out the verdicts of a crawl whose fetching has ended.
      class Judge < Runtime::Job
        LONG = true
        # A slot that was stopped stores what it had begun; one that died is not waited for longer than this.
        PATIENCE = 30
        LOOK_AGAIN_SECONDS = 0.3

        # (see Runtime::Job.explain)
        def self.explain(given) = "the verdicts of #{crawl_named(given["crawl_id"])}"

        def run(crawl_id:)
          crawl = Store::Crawling::Crawl.find_by(id: crawl_id)
          return finish unless crawl&.state == Store::Crawling::Crawl::JUDGING
          if crawl.frontier.open_states[:leased] && now - crawl.fetching_ended_at < PATIENCE
            return look_again(crawl, LOOK_AGAIN_SECONDS)
          end

          # With a good conscience a page is called slow only when it was asked alone.
          return look_again(crawl, 0) if Crawling::AskingAgain.new(crawl).call(SECONDS)

          return look_again(crawl, 0) if Rendering::Sampling.new(crawl, now: now).call(SECONDS)

          crawl.count
          Judging::Judgement.alone(crawl, clock: -> { now }) ? ended(crawl) : look_again(crawl, LOOK_AGAIN_SECONDS)
        end

        # @return [void]
        def given_up(error)
          crawl = Store::Crawling::Crawl.find_by(id: que_attrs[:kwargs][:crawl_id])
          crawl&.advance(Store::Crawling::Crawl::JUDGING, Store::Crawling::Crawl::FAILED, judging_error: explain(error),
            message: "Its verdicts could not be worked out: #{explain(error)}")
        end

        private

        def ended(crawl)
          crawl.with_lock do
            crawl.advance(Store::Crawling::Crawl::JUDGING, Store::Crawling::Crawl::FINISHED, finished_at: now)
            Judging::JudgingQueue.follow_up(crawl, now)
            Sitemaps::Building.after_crawl(crawl, now: now)
            Runtime::Queue.enqueue_once("RemakeFixes", {site_id: crawl.site_id})
            finish
          end
          Sites::Pruning.call(crawl.site)
        end

        def look_again(crawl, seconds)
          ActiveRecord::Base.transaction do
            Runtime::Queue.enqueue("Judge", {crawl_id: crawl.id}, queue: crawl.queue, at: now + seconds)
            finish
          end
        end
      end
    end
  end
end
