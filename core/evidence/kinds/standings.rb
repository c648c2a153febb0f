# frozen_string_literal: true

module IronTrellis
  module Core
    module Evidence
      module Kinds
        # What an index says of each URL.
        module Standings
          KIND =
            Kind.new(
              code: "standings",
              place: 1,
              label: "What the index says of each URL",
              why: "Tells which pages are in the index, and why others were left out.",
              of_index: true,
              dated: false,
              keeps_more: false,
              about: "url",
              fields: [
                Field.new(name: "url", kind: :url, needed: true),
                Field.new(name: "standing", kind: :state, needed: true),
                Field.new(name: "reason", kind: :text),
                Field.new(name: "found_by", kind: :text),
                Field.new(name: "first_seen", kind: :date),
                Field.new(name: "last_fetched", kind: :date),
                Field.new(name: "chosen_canonical", kind: :address)
              ].freeze
            ).freeze
        end
      end
    end
  end
end
