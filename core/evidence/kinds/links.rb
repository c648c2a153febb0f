# frozen_string_literal: true

module IronTrellis
  module Core
    module Evidence
      module Kinds
        # Links from other sites.
        module Links
          KIND =
            Kind.new(
              code: "links",
              place: 4,
              label: "Links from other sites",
              why: "Tells which addresses others link to: those need a redirect when they go.",
              of_index: false,
              dated: false,
              keeps_more: true,
              about: "target",
              fields: [
                Field.new(name: "source", kind: :url, needed: true),
                Field.new(name: "target", kind: :url, needed: true),
                Field.new(name: "anchor", kind: :text)
              ].freeze
            ).freeze
        end
      end
    end
  end
end
