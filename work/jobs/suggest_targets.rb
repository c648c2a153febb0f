# frozen_string_literal: true

module IronTrellis
  module Work
    module Jobs
      # Works out where the lost addresses of a judged crawl could lead.
      class SuggestTargets < Runtime::Job
        LONG = true

        # (see Runtime::Job.explain)
        def self.explain(_given) = "targets for redirects"

        def run(run_id:)
          verdicts = Store::Judging::VerdictRun.find_by(id: run_id, suggested_at: nil)
          Redirects::SuggestedTargets.new(verdicts, clock: -> { now }).call if verdicts
          finish
        end
      end
    end
  end
end
