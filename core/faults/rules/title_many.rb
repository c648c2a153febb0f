# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page with more than one title.
        class TitleMany < PageRule
          CODE = "title-many"
          TITLE = "Several titles on one page"
          ABOUT = "Second title"
          GRADE = "weakens"
          WHY = "Only the first counts for some, the last for others."
          FIX = "Leave one."
          MENDED = "has one title"
          KIND = "content"
          ELEMENT = "title"
          SOURCE = "HTML standard, the title element"

          def self.identity(_fault) = nil

          def check(page)
            fault(page, about: page.titles[1], titles: page.titles) if page.page? && page.titles && page.titles.size > 1
          end
        end
      end
    end
  end
end
