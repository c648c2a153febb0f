# frozen_string_literal: true

module IronTrellis
  module Work
    module Jobs
      # Asks an index for what it says, by its timetable.
      class PullEvidence < Runtime::Job
        LONG = true

        # (see Runtime::Job.explain)
        def self.explain(_given) = "asking an index"

        def run(index_id:)
          index = Store::Evidence::Index.find_by(id: index_id)
          Evidence::Pulling.new(index, now: now).call_and_judge(by: "timetable") if index
          finish
        rescue Ports::Indexes::Unavailable
          # It is told with the index, which is asked again when its time comes.
          finish
        end
      end
    end
  end
end
