# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Observations
        # Where the address leads on, by a redirect or by the page itself.
        module Leading
          LIST = [
            # Rules see both as one.
            Observation.new(name: :redirect_to, kept: true, value: ->(seen) { seen.redirect_to }),
            Observation.new(name: :refresh_to, kept: true, value: ->(seen) { seen.refresh&.target }),
            Observation.new(name: :refresh_source, value: ->(seen) { seen.refresh&.source })
          ].freeze
        end
      end
    end
  end
end
