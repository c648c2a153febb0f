# frozen_string_literal: true

module IronTrellis
  module Core
    module Evidence
      module Kinds
        # What visitors were to reach, and did.
        module Goals
          KIND =
            Kind.new(
              code: "goals",
              place: 5,
              label: "What visitors reach",
              why: "Tells which pages are where a visit ends well, such as a thank-you page.",
              of_index: false,
              dated: false,
              keeps_more: false,
              about: "url",
              fields: [
                Field.new(name: "url", kind: :url, needed: true),
                Field.new(name: "goal", kind: :text, needed: true),
                Field.new(name: "count", kind: :count)
              ].freeze
            ).freeze
        end
      end
    end
  end
end
