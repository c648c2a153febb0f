# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What ought to become of it.
        module Deciding
          PLACE = 8
          LIST = [
            Column.new(
              name: "in_sitemaps",
              type: "text[]",
              kind: :list,
              source: :subject,
              counted: true,
              label: "Sitemaps",
              help: "Sitemaps that list it",
              shown_as: :size
            ),
            Column.new(name: "group", type: "text", kind: :set, source: :subject, label: "Group"),
            Column.new(
              name: "template",
              type: "text",
              kind: :set,
              source: :subject,
              label: "Template",
              help: "Pages with one are built alike"
            ),
            Column.new(
              name: "intent",
              type: "text",
              kind: :set,
              source: :subject,
              label: "Decided",
              help: "What was decided for it",
              choices: {
                "index" => "index",
                "keep_out" => "keep out",
                "undecided" => "nothing yet"
              }
            ),
            Column.new(
              name: "intent_of",
              type: "text",
              kind: :set,
              source: :subject,
              label: "Decided for",
              choices: {
                "url" => "this URL",
                "pattern" => "a pattern",
                "group" => "its group"
              }
            ),
            Column.new(name: "intent_subject", type: "text", source: :subject),
            Column.new(
              name: "follow",
              type: "boolean",
              kind: :flag,
              source: :subject,
              label: "Links followed",
              subject: "links to be followed",
              help: "Decided: whether its links are to be followed"
            ),
            Column.new(
              name: "chosen_canonical",
              type: "text",
              kind: :text,
              source: :subject,
              label: "Decided canonical",
              shown_as: :url
            ),
            Column.new(
              name: "fulfilled",
              type: "text",
              kind: :set,
              source: :subject,
              label: "Done as decided",
              help: "What was decided and is there now",
              choices: ["kept out", "canonical", "redirect", "gone"].to_h { |one| [one, one] }
            ),
            Column.new(
              name: "wanted",
              type: "boolean",
              kind: :flag,
              source: :subject,
              label: "Should be indexed",
              help: "As decided, else as a sitemap lists it"
            )
          ].freeze
        end
      end
    end
  end
end
