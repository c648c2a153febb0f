# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # How far it comes, and how much it matters.
        module Verdicts
          PLACE = 9
          LIST = [
            Column.new(
              name: "importance",
              type: "double precision",
              kind: :number,
              source: :subject,
              indexed: true,
              label: "Importance",
              help: "How much it matters, from 0 to 100",
              shown_as: :tenths
            ),
            Column.new(name: "importance_parts", type: "jsonb", source: :judged, value: ->(page) { page.score&.parts }),
            Column.new(
              name: "authority",
              type: "double precision",
              kind: :number,
              source: :subject,
              indexed: true,
              label: "Authority",
              help: "What links pass on to it, as a share of the site's",
              shown_as: :share
            ),
            Column.new(name: "indexable", type: "boolean", kind: :flag, source: :subject, label: "Indexable"),
            Column.new(
              name: "soft_missing",
              type: "boolean",
              kind: :flag,
              source: :subject,
              label: "Reads as missing",
              help: "It answers 200 and reads like the page for missing addresses"
            ),
            Column.new(
              name: "unfetched",
              type: "text",
              kind: :set,
              source: :judged,
              value: ->(page) { page.unfetched },
              label: "Not fetched because",
              choices: {
                "nofollow" => "only nofollow links lead to it",
                "deep" => "too many clicks away",
                "kind" => "this kind isn’t fetched",
                "space" => "too many like it",
                "redirects" => "too many redirects"
              }
            ),
            Column.new(
              name: "fetched_at",
              type: "timestamp with time zone",
              kind: :date,
              source: :facts,
              label: "Fetched",
              shown_as: :moment
            ),
            Column.new(
              name: "stop",
              type: "text",
              kind: :set,
              source: :subject,
              label: "Stopped by",
              help: "What keeps it out of the index first",
              choices: Ladder::Climb::CAUSES
            ),
            Column.new(
              name: "stop_reason",
              type: "text",
              kind: :text,
              source: :judged,
              value: ->(page) { page.ladder_result.reason },
              label: "Why",
              subject: "reason"
            ),
            Column.new(name: "climb", type: "jsonb", source: :judged, value: ->(page) { page.climb })
          ].freeze
        end
      end
    end
  end
end
