# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What it says of itself to indexes.
        module Directives
          PLACE = 4
          LIST = [
            Column.new(name: "noindex", type: "boolean", kind: :flag, source: :subject),
            Column.new(name: "nofollow", type: "boolean", kind: :flag, source: :facts),
            Column.new(name: "canonical", type: "text", kind: :text, source: :subject),
            Column.new(name: "canonical_source", type: "text", kind: :set, source: :facts),
            Column.new(name: "canonical_state", type: "text", kind: :set, source: :subject),
            Column.new(name: "lang", type: "text", kind: :text, source: :facts)
          ].freeze
        end
      end
    end
  end
end
