# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # Indexable pages that share one description.
        class DescriptionDuplicate < SetRule
          CODE = "description-duplicate"
          TITLE = "Same description on several pages"
          ABOUT = "Another page with it"
          SAME = "description"
          GRADE = "weakens"
          WHY = "Pages with one description look alike in results."
          FIX = "Give each page a description of its own."
          MENDED = "no other page has its description"
          KIND = "content"
          ELEMENT = "description"
          SOURCE = "CP"
          VALUE = :description

          def self.identity(_fault) = nil

          def check(page, shared)
            fault(page, about: shared.other_than(page.url), description: shared.value, pages: shared.pages)
          end
        end
      end
    end
  end
end
