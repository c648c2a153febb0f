# frozen_string_literal: true

module IronTrellis
  module Core
    module Evidence
      module Kinds
        # The search record by page and day.
        module Pages
          KIND =
            Kind.new(
              code: "pages",
              place: 2,
              label: "Clicks, impressions and position by page",
              why: "Tells which pages bring visits: those are never dropped by a rule.",
              of_index: true,
              dated: true,
              keeps_more: false,
              about: "url",
              fields: [
                Field.new(name: "url", kind: :url, needed: true),
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
