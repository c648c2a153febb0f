# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page with more than one main heading.
        class H1Many < PageRule
          CODE = "h1-many"
          TITLE = "Several H1s on one page"
          ABOUT = "Second H1"
          GRADE = "weakens"
          WHY = "Which of them names the page is left open."
          FIX = "Leave one H1 and make the others H2."
          MENDED = "has one H1"
          KIND = "content"
          ELEMENT = "h1"
          SOURCE = "CP"

          def self.identity(_fault) = nil

          def check(page)
            fault(page, about: page.h1[1], headings: page.h1.first(10)) if page.page? && page.h1 && page.h1.size > 1
          end
        end
      end
    end
  end
end
