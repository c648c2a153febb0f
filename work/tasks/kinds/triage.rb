# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Sorts out what an index left out, each URL looked at first, and keeps it.
        module Triage
          CODE = "triage"
          DOING = "sorting what an index left out"

          module_function

          # @param input [Hash{String => Object}] index (id), fetch
          # @yieldparam done [Integer]
          # @yieldparam total [Integer]
          # @return [Hash] urls
          def call(input, now:, &progress)
            index = Store::Evidence::Index.fetch(input["index"])
            sorted =
              Work::Triage::SortingOut.new(index.site, index, clock: -> { Time.now }).call(
                fetch: input["fetch"],
                &progress
              )
            Store::Triage::KeptLines.new(index).replace(
              sorted.map { |one| Work::Triage::Lines.of(one) },
              live: input["fetch"],
              now: now
            )
            {urls: sorted.size}
          end
        end
      end
    end
  end
end
