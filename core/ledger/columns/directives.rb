# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What it says of itself to indexes.
        module Directives
          PLACE = 4
          LIST = [
            Column.new(name: "noindex", type: "boolean", kind: :flag, source: :subject, label: "Noindex"),
            Column.new(
              name: "nofollow",
              type: "boolean",
              kind: :flag,
              source: :facts,
              label: "Nofollow",
              help: "The page says nofollow"
            ),
            Column.new(
              name: "canonical",
              type: "text",
              kind: :text,
              source: :subject,
              label: "Canonical",
              shown_as: :url
            ),
            Column.new(
              name: "canonical_source",
              type: "text",
              kind: :set,
              source: :facts,
              label: "Canonical in",
              subject: "canonical stands in",
              help: "Where the canonical stands"
            ),
            Column.new(
              name: "canonical_state",
              type: "text",
              kind: :set,
              source: :subject,
              label: "Canonical is",
              choices: {
                "none" => "none",
                "self" => "the page itself",
                "other" => "another page",
                "clash" => "contradictory",
                "malformed" => "not valid"
              }
            ),
            Column.new(name: "lang", type: "text", kind: :text, source: :facts, label: "Language")
          ].freeze
        end
      end
    end
  end
end
