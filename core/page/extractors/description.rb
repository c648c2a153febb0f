# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Extractors
        # Its first description, folded; an empty one is an empty text.
        module Description
          NAME = :description

          module_function

          # @param document [DocumentReading]
          # @return [String, nil]
          def call(document) = document.meta("description")&.then(&Content::Folded.method(:of))
        end
      end
    end
  end
end
