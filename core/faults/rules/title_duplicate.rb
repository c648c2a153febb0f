# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # Indexable pages that share one title.
        class TitleDuplicate < SetRule
          CODE = "title-duplicate"
          TITLE = "Same title on several pages"
          ABOUT = "Another page with it"
          SAME = "title"
          GRADE = "weakens"
          WHY = "Pages with one title look alike in results, and the index may keep only one of them."
          FIX = "Give each page a title of its own."
          MENDED = "no other page has its title"
          KIND = "content"
          ELEMENT = "title"
          SOURCE = "CP"
          VALUE = :title

          def self.identity(_fault) = nil

          def check(page, shared)
            fault(page, about: shared.other_than(page.url), title: shared.value, pages: shared.pages)
          end
        end
      end
    end
  end
end
