# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # How far it comes, and how much it matters.
        module Verdicts
          PLACE = 9
          LIST = [
            Column.new(name: "importance", type: "double precision", kind: :number, source: :subject, indexed: true),
            Column.new(name: "importance_parts", type: "jsonb", source: :judged),
            Column.new(name: "authority", type: "double precision", kind: :number, source: :subject, indexed: true),
            Column.new(name: "indexable", type: "boolean", kind: :flag, source: :subject),
            Column.new(name: "soft_missing", type: "boolean", kind: :flag, source: :subject),
            Column.new(name: "unfetched", type: "text", kind: :set, source: :judged),
            Column.new(name: "fetched_at", type: "timestamp with time zone", kind: :date, source: :facts),
            Column.new(name: "stop", type: "text", kind: :set, source: :subject),
            Column.new(name: "stop_reason", type: "text", kind: :text, source: :judged),
            Column.new(name: "climb", type: "jsonb", source: :judged)
          ].freeze
        end
      end
    end
  end
end
