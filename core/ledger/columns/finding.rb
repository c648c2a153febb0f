# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # How the address was found, and what robots.txt says of it.
        module Finding
          PLACE = 2
          LIST = [
            Column.new(
              name: "depth",
              type: "integer",
              kind: :number,
              source: :subject,
              indexed: true,
              label: "Depth",
              help: "Clicks from a start URL"
            ),
            Column.new(
              name: "found_by",
              type: "text[]",
              kind: :list,
              source: :subject,
              label: "Found by",
              choices: %w[start link redirect canonical hreflang sitemap].to_h { |one| [one, one] }
            ),
            Column.new(
              name: "robots_allowed",
              type: "boolean",
              kind: :flag,
              source: :subject,
              label: "Allowed",
              subject: "allowed by robots.txt",
              help: "robots.txt lets it be fetched"
            ),
            Column.new(
              name: "robots_line",
              type: "integer",
              kind: :number,
              source: :subject,
              label: "robots.txt line",
              subject: "line of robots.txt",
              help: "Line of robots.txt that decides"
            )
          ].freeze
        end
      end
    end
  end
end
