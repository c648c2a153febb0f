# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Observations
        # How the address answered.
        module Answer
          LIST = [
            Observation.new(name: :status, value: ->(seen) { seen.answer&.status }),
            Observation.new(name: :error, value: ->(seen) { seen.answer&.error }),
            Observation.new(name: :error_detail, kept: true, value: ->(seen) { seen.answer&.error_detail }),
            Observation.new(name: :content_type, value: ->(seen) { seen.read&.content_type }),
            Observation.new(name: :charset, kept: true, value: ->(seen) { seen.read&.charset }),
            Observation.new(name: :first_byte_ms, kept: true, value: ->(seen) { seen.answer&.first_byte_ms }),
            # Rules see it as it was judged: one slow answer is asked for again.
            Observation.new(name: :response_ms, kept: true, value: ->(seen) { seen.answer&.response_ms })
          ].freeze
        end
      end
    end
  end
end
