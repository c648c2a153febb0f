# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What leads there and away.
        module Links
          PLACE = 6
          LIST = [
            Column.new(
              name: "links_in",
              type: "integer",
              kind: :number,
              source: :subject,
              indexed: true,
              label: "Links in",
              help: "Pages that link to it"
            ),
            Column.new(
              name: "links_out_internal",
              type: "integer",
              kind: :number,
              source: :judged,
              value: ->(page) { page.counted("links_out_internal") },
              label: "Links out",
              subject: "internal links out",
              help: "Pages of the site that it links to"
            ),
            Column.new(
              name: "links_out_external",
              type: "integer",
              kind: :number,
              source: :judged,
              value: ->(page) { page.counted("links_out_external") },
              label: "External",
              subject: "external links out",
              help: "Addresses of other sites that it links to"
            )
          ].freeze
        end
      end
    end
  end
end
