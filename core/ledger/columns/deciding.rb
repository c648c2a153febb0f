# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What ought to become of it.
        module Deciding
          PLACE = 8
          LIST = [
            Column.new(name: "in_sitemaps", type: "text[]", kind: :list, source: :subject, counted: true),
            Column.new(name: "group", type: "text", kind: :set, source: :subject),
            Column.new(name: "intent", type: "text", kind: :set, source: :subject),
            Column.new(name: "intent_of", type: "text", kind: :set, source: :subject),
            Column.new(name: "intent_subject", type: "text", source: :subject),
            Column.new(name: "follow", type: "boolean", kind: :flag, source: :subject),
            Column.new(name: "chosen_canonical", type: "text", kind: :text, source: :subject),
            Column.new(name: "fulfilled", type: "text", kind: :set, source: :subject),
            Column.new(name: "wanted", type: "boolean", kind: :flag, source: :subject)
          ].freeze
        end
      end
    end
  end
end
