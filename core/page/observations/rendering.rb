# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Observations
        # What scripts changed, where a browser rendered the page.
        module Rendering
          LIST = [
            Observation.new(name: :rendered, value: ->(seen) { seen.rendered && true }),
            Observation.new(name: :changed_by_script, value: ->(seen) { seen.rendered&.changes }),
            Observation.new(name: :on_phone, value: ->(seen) { seen.rendered&.on_phone })
          ].freeze
        end
      end
    end
  end
end
