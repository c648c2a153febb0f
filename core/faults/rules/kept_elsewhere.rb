# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that should be indexed and stands for itself, but is kept under another URL.
        class KeptElsewhere < EvidenceRule
          CODE = "kept-elsewhere"
          TITLE = "The index keeps it under another URL"
          ABOUT = "URL under which it is kept"
          GRADE = "diverts"
          WHY =
            "The index takes another page for the same one: what this one says is shown under that address, or not " \
            "at all."
          FIX = "Make the two differ, or settle for one: redirect, or name it as canonical, and link only to that one."
          KIND = "canonicals"
          SOURCE = "CP"

          def check(page, _basis)
            return unless page.wanted && page.standing == "kept_elsewhere" && page.status == 200 && own?(page)

            fault(page, about: page.chosen_canonical_by_index)
          end

          private

          def own?(page) = page.canonical.nil? || page.canonical == page.url
        end
      end
    end
  end
end
