# frozen_string_literal: true

require "committee"
require "json"

module IronTrellis
  module Api
    module Http
      # A request that doesn't keep to openapi.yaml, told as problem details.
      class ContractError < Committee::ValidationError
        # @return [Hash]
        def error_body
          Problem.new(
            code: "invalid-input",
            status: status,
            detail: "The request isn't as the interface wants it: #{message}"
          ).to_h
        end

        # @return [Array] Rack response
        def render
          [status, {"content-type" => Problem::TYPE}, [JSON.generate(error_body)]]
        end
      end
    end
  end
end
