# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Observations
        # Which address the page names as its main one, and in which languages it says that it is.
        module Canonical
          MARKS = %i[malformed misplaced].freeze
          LIST = [
            Observation.new(name: :canonical, value: ->(seen) { seen.read&.canonical&.url }),
            Observation.new(name: :canonical_source, kept: true, value: ->(seen) { seen.read&.canonical&.source }),
            Observation.new(name: :canonical_state, value: ->(seen) { seen.read&.canonical&.state }),
            Observation.new(
              name: :canonical_marks,
              value: ->(seen) do
                seen.read&.canonical&.then do |one|
                  MARKS.to_h { |name| [name, one.public_send(name)] }.merge(named: one.named.map(&:to_h))
                end
              end
            ),
            # Rules see those of sitemaps besides.
            Observation.new(name: :hreflang, kept: true, value: ->(seen) { seen.read&.hreflang })
          ].freeze
        end
      end
    end
  end
end
