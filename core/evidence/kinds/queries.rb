# frozen_string_literal: true

module IronTrellis
  module Core
    module Evidence
      module Kinds
        # The search record by page, query and day.
        module Queries
          KIND =
            Kind.new(
              code: "queries",
              place: 3,
              label: "Clicks, impressions and position by page and query",
              why: "Tells what each page is found for, and what nearly brings visits.",
              of_index: true,
              dated: true,
              keeps_more: false,
              about: "url",
              fields: [
                Field.new(name: "url", kind: :url, needed: true),
                Field.new(name: "query", kind: :text, needed: true),
                Field.new(name: "clicks", kind: :count, needed: true),
                Field.new(name: "impressions", kind: :count, needed: true),
                Field.new(name: "position", kind: :position),
                Field.new(name: "date", kind: :date)
              ].freeze
            ).freeze
        end
      end
    end
  end
end
