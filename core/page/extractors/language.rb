# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Extractors
        # The language the document says it is in.
        module Language
          NAME = :lang

          module_function

          # @param document [DocumentReading]
          # @return [String, nil]
          def call(document) = document.language&.strip.then { |text| text unless text.to_s.empty? }
        end
      end
    end
  end
end
