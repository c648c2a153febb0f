# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Observations
        # What robots.txt says of the address.
        module Permission
          LIST = [
            Observation.new(name: :robots_allowed, value: ->(seen) { seen.decision&.allowed }),
            Observation.new(name: :robots_line, value: ->(seen) { seen.decision&.line }),
            Observation.new(name: :robots_rule, value: ->(seen) { seen.decision&.rule })
          ].freeze
        end
      end
    end
  end
end
