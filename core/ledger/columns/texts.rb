# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What it says to people.
        module Texts
          PLACE = 5
          LIST = [
            Column.new(name: "title", type: "text", kind: :text, source: :subject),
            Column.new(name: "title_chars", type: "integer", kind: :number, source: :subject, indexed: true),
            Column.new(name: "description", type: "text", kind: :text, source: :facts),
            Column.new(name: "description_chars", type: "integer", kind: :number, source: :judged),
            Column.new(name: "h1", type: "text[]", kind: :list, source: :facts),
            Column.new(name: "h1_count", type: "integer", kind: :number, source: :judged),
            Column.new(name: "words", type: "integer", kind: :number, source: :subject, indexed: true)
          ].freeze
        end
      end
    end
  end
end
