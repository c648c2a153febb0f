# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Observations
        # Structured data; none is kept as nothing.
        module Data
          LIST = [
            Observation.new(
              name: :data,
              value: ->(seen) { seen.read&.data&.then { |items| items.map(&:to_h) if items.any? } }
            ),
            Observation.new(
              name: :data_problems,
              value: ->(seen) { seen.read&.data_problems&.then { |all| all if all.any? } }
            )
          ].freeze
        end
      end
    end
  end
end
