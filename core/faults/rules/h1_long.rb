# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A main heading that is too long to be taken in at once.
        class H1Long < PageRule
          CODE = "h1-long"
          TITLE = "H1 too long"
          ABOUT = "H1"
          GRADE = "weakens"
          WHY = "What the page is about drowns in it."
          FIX = "Shorten it; the rest can go into the first paragraph."
          MENDED = "its H1 is short enough"
          KIND = "content"
          ELEMENT = "h1"
          SOURCE = "CP"

          def self.identity(_fault) = nil

          def check(page)
            if page.page? && page.h1&.first && page.h1.first.length > settings.h1_long
              fault(page, about: page.h1.first, chars: page.h1.first.length)
            end
          end
        end
      end
    end
  end
end
