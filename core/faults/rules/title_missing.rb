# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page without a title.
        class TitleMissing < PageRule
          CODE = "title-missing"
          TITLE = "Page without title"
          GRADE = "weakens"
          WHY = "The title is the line people click in a search result; without one the index makes something up."
          FIX = "Give the page a title that says what it is about."
          MENDED = "has a title"
          KIND = "content"
          ELEMENT = "title"
          SOURCE = "WHATWG HTML, the title element; CP"

          def check(page)
            fault(page) if page.page? && page.title.to_s.empty?
          end
        end
      end
    end
  end
end
