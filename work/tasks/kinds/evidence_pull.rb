# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Asks an index for all that it says, now.
        module EvidencePull
          CODE = "evidence_pull"
          DOING = "asking an index"

          module_function

          # @param input [Hash{String => Object}] index (id), by
          # @yieldparam done [Integer] rows read; nothing where it is only asked whether somebody waits still
          # @yieldparam total [nil]
          # @return [Hash] imports: as Evidence::Pulling#call
          def call(input, now:)
            index = Store::Evidence::Index.fetch(input["index"])
            pulling = Evidence::Pulling.new(index, now: now, wanted: -> { yield })
            {imports: pulling.call_and_judge(by: input["by"]) { |rows| yield rows, nil }}
          end
        end
      end
    end
  end
end
