# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A title that says the same as the heading.
        class TitleEqualsH1 < PageRule
          CODE = "title-equals-h1"
          TITLE = "Title is the same as the H1"
          ABOUT = "Title"
          GRADE = "weakens"
          WHY = "No harm, but a chance let pass: the title can name the site and what the heading leaves out."
          FIX = "Think of the title as the line in a list of results."
          NOTE = true
          KIND = "content"
          ELEMENT = "h1"
          SOURCE = "CP"

          def self.identity(_fault) = nil

          def check(page)
            fault(page, about: page.title) if page.page? && !page.title.to_s.empty? && page.h1&.first == page.title
          end
        end
      end
    end
  end
end
