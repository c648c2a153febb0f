# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Extractors
        # What it says of the width of screens (common practice).
        module Viewport
          NAME = :viewport

          module_function

          # @param document [DocumentReading]
          # @return [String, nil]
          def call(document) = document.meta("viewport")&.strip.then { |text| text unless text.to_s.empty? }
        end
      end
    end
  end
end
