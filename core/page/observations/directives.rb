# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Observations
        # What the page tells indexes to do with it.
        module Directives
          WORDS = %i[source agent tokens place line].freeze
          LIST = [
            Observation.new(name: :noindex, value: ->(seen) { seen.directives&.noindex? }),
            Observation.new(name: :nofollow, value: ->(seen) { seen.directives&.nofollow? }),
            Observation.new(name: :noindex_where, value: ->(seen) { seen.directives&.noindex&.where }),
            Observation.new(name: :header_noindex_alone, value: ->(seen) { seen.directives&.header_alone? }),
            # Rules see those that speak to the site's agent.
            Observation.new(
              name: :directives,
              kept: true,
              value: ->(seen) { seen.read&.directives&.map { |one| WORDS.to_h { |name| [name, one[name]] } } }
            )
          ].freeze
        end
      end
    end
  end
end
