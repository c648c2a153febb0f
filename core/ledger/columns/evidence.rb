# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What indexes, search records and other sites say of it.
        module Evidence
          PLACE = 12
          LIST = [
            Column.new(
              name: "standing",
              type: "text",
              kind: :set,
              source: :evidence,
              label: "In the index",
              help: "What the index says of it",
              choices: Core::Evidence::Standing::NAMES
            ),
            Column.new(
              name: "standing_reason",
              type: "text",
              kind: :text,
              source: :evidence,
              label: "Index’s reason",
              help: "Why the index left it out, in its words"
            ),
            Column.new(name: "standing_date", type: "date", kind: :date, source: :evidence, label: "Evidence of"),
            Column.new(
              name: "last_fetched",
              type: "date",
              kind: :date,
              source: :evidence,
              label: "Fetched by the index",
              subject: "last fetched by the index"
            ),
            Column.new(
              name: "chosen_canonical_by_index",
              type: "text",
              kind: :text,
              source: :evidence,
              label: "Kept under",
              help: "The URL under which the index keeps it",
              shown_as: :url
            ),
            Column.new(
              name: "clicks",
              type: "bigint",
              kind: :number,
              source: :evidence,
              indexed: true,
              label: "Clicks",
              help: "From search, in the middle window (6 months unless set otherwise)"
            ),
            Column.new(
              name: "impressions",
              type: "bigint",
              kind: :number,
              source: :evidence,
              indexed: true,
              label: "Impressions",
              help: "In search, in the middle window"
            ),
            Column.new(
              name: "position",
              type: "double precision",
              kind: :number,
              source: :evidence,
              label: "Position",
              help: "Mean position in search, in the middle window",
              shown_as: :tenths
            ),
            Column.new(
              name: "queries",
              type: "integer",
              kind: :number,
              source: :evidence,
              label: "Queries",
              help: "Search queries that it was shown for, in the middle window"
            ),
            Column.new(
              name: "outside_links",
              type: "integer",
              kind: :number,
              source: :evidence,
              label: "Outside links",
              subject: "links from other sites",
              help: "Pages of other sites that link to it"
            ),
            Column.new(
              name: "goals",
              type: "text[]",
              kind: :list,
              source: :evidence,
              counted: true,
              label: "Goals",
              help: "Goals that visitors reached there"
            ),
            Column.new(
              name: "dropped",
              type: "boolean",
              kind: :flag,
              source: :evidence,
              label: "Dropped",
              help: "Was in the index, or brought clicks, and is out of it now"
            )
          ].freeze
        end
      end
    end
  end
end
