# frozen_string_literal: true

module IronTrellis
  module Work
    module Jobs
      # Works out the verdicts of a crawl again, after what its pages are judged by was changed. The facts stay; the newest verdicts before these stay
      # too, since somebody may be reading them.
      class Rejudge < Runtime::Job
        KEPT = 2

        def run(crawl_id:)
          crawl = Store::Crawling::Crawl.find_by(id: crawl_id)
          # Of several askings one answer is enough.
          if crawl&.judged_again?
            Judging::Judgement.new(crawl, clock: -> { now }).call
            crawl.verdict_runs.order(:id).to_a[0...-KEPT].each(&:drop)
          end
          finish
        end
      end
    end
  end
end
