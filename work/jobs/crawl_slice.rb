# frozen_string_literal: true

module IronTrellis
  module Work
    module Jobs
      # Crawls for one slot of a crawl, for some seconds; its successor goes on.
      class CrawlSlice < Runtime::Job
        # While other slots still hold URLs that may bring new ones, this one looks again after a moment.
        IDLE_SECONDS = 0.5

        # (see Runtime::Job.explain)
        def self.explain(given) = "the fetching of #{crawl_named(given["crawl_id"])}"

        def run(crawl_id:, slot:)
          crawl = Store::Crawling::Crawl.find_by(id: crawl_id)
          return finish if crawl.nil? || !begun?(crawl)

          deadline = monotonic + SECONDS
          early = false
          Crawling::Session
            .new(crawl, slot: slot, clock: -> { now })
            .run { early = monotonic > deadline || Runtime::Queue.ending? || stopped?(crawl) }
          go_on(crawl, slot, idle: !early)
        end

        # The crawl stops where it is and can be resumed when what was wrong is mended.
        #
        # @return [void]
        def given_up(error)
          crawl = Store::Crawling::Crawl.find_by(id: que_attrs[:kwargs][:crawl_id])
          crawl&.advance(
            Store::Crawling::Crawl::CRAWLING,
            Store::Crawling::Crawl::PAUSED,
            message: "Paused because something failed again and again: #{explain(error)} Fix that, then resume it."
          )
        end

        private

        def begun?(crawl)
          crawl.advance(Store::Crawling::Crawl::WAITING, Store::Crawling::Crawl::CRAWLING, started_at: now)
          crawl.reload.state == Store::Crawling::Crawl::CRAWLING
        end

        # Asked once a second, not at each URL.
        def stopped?(crawl)
          return false if @asked && monotonic - @asked < 1

          @asked = monotonic
          Store::Crawling::Crawl.where(id: crawl.id, state: Store::Crawling::Crawl::CRAWLING).none?
        end

        def go_on(crawl, slot, idle:)
          ActiveRecord::Base.transaction do
            if crawl.reload.state == Store::Crawling::Crawl::CRAWLING
              if crawl.open? || Judging::Deepening.new(crawl).call.positive?
                again(crawl, slot, idle ? now + IDLE_SECONDS : nil)
              else
                Crawling::Runs.end_fetching(crawl, now)
              end
            end
            finish
          end
        end

        def again(crawl, slot, at)
          Runtime::Queue.enqueue("CrawlSlice", {crawl_id: crawl.id, slot: slot}, queue: crawl.queue, at: at)
        end
      end
    end
  end
end
