# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What it says to people.
        module Texts
          PLACE = 5
          LIST = [
            Column.new(name: "title", type: "text", kind: :text, source: :subject, label: "Title"),
            Column.new(
              name: "title_chars",
              type: "integer",
              kind: :number,
              source: :subject,
              indexed: true,
              label: "Title length",
              help: "Characters of the title"
            ),
            Column.new(name: "description", type: "text", kind: :text, source: :facts, label: "Description"),
            Column.new(
              name: "description_chars",
              type: "integer",
              kind: :number,
              source: :judged,
              value: ->(page) { page.facts["description"]&.length },
              label: "Desc. length",
              subject: "description length",
              help: "Characters of the description"
            ),
            Column.new(name: "h1", type: "text[]", kind: :list, source: :facts, label: "H1", subject: "H1"),
            Column.new(
              name: "h1_count",
              type: "integer",
              kind: :number,
              source: :judged,
              value: ->(page) { page.facts["words"] && page.facts["h1"]&.size },
              label: "H1s",
              subject: "number of H1s",
              help: "Number of H1 headings"
            ),
            Column.new(name: "words", type: "integer", kind: :number, source: :subject, indexed: true, label: "Words"),
            Column.new(
              name: "rendered",
              type: "boolean",
              kind: :flag,
              source: :subject,
              label: "After scripts",
              subject: "read after scripts",
              help: "Whether the page was read as its scripts left it"
            ),
            Column.new(
              name: "by_script",
              type: "text[]",
              kind: :list,
              source: :judged,
              value: ->(page) { page.facts["changed_by_script"]&.keys },
              label: "By scripts",
              subject: "what scripts change",
              help: "What scripts add or change"
            )
          ].freeze
        end
      end
    end
  end
end
