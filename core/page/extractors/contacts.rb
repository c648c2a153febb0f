# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Extractors
        # The lines around its telephone numbers, where it says who it is of (StructuredData::ContactLines).
        module Contacts
          NAME = :contacts

          module_function

          # @param document [DocumentReading]
          # @return [Array<Array<String>>]
          def call(document) = StructuredData::ContactLines.of(document.text.split("\n"))
        end
      end
    end
  end
end
