# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What is wrong with it.
        module FoundFaults
          PLACE = 11
          LIST = [
            Column.new(name: "faults", type: "text[]", kind: :list, source: :faults, counted: true, label: "Faults"),
            Column.new(
              name: "fault_count",
              type: "integer",
              kind: :number,
              source: :faults,
              indexed: true,
              label: "Number of faults"
            )
          ].freeze
        end
      end
    end
  end
end
