# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # Indexable pages that share one main heading.
        class H1Duplicate < SetRule
          CODE = "h1-duplicate"
          TITLE = "Same H1 on several pages"
          ABOUT = "Another page with it"
          SAME = "h1"
          GRADE = "weakens"
          WHY = "Readers can't tell the pages apart, and neither can an index."
          FIX = "Give each page a heading of its own."
          MENDED = "no other page has its H1"
          KIND = "content"
          ELEMENT = "h1"
          SOURCE = "CP"
          VALUE = :h1

          def self.identity(_fault) = nil

          def check(page, shared)
            fault(page, about: shared.other_than(page.url), h1: shared.value, pages: shared.pages)
          end
        end
      end
    end
  end
end
