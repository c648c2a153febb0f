# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Observations
        # What the page says and shows.
        module Words
          LIST = [
            Observation.new(name: :titles, value: ->(seen) { seen.read&.titles }),
            Observation.new(name: :h1, value: ->(seen) { seen.read&.h1 }),
            Observation.new(name: :words, value: ->(seen) { seen.read&.words }),
            Observation.new(name: :images, kept: true, value: ->(seen) { seen.read&.images }),
            Observation.new(name: :images_without_alt, kept: true, value: ->(seen) { seen.read&.images_without_alt })
          ].freeze
        end
      end
    end
  end
end
