# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Extractors
        # Whether it asks for a password.
        module Password
          NAME = :password
          ELEMENTS = "input[type=password i]"

          module_function

          # @param document [DocumentReading]
          # @return [Boolean]
          def call(document) = document.few("input").any? { |field| field["type"].to_s.casecmp?("password") }
        end
      end
    end
  end
end
