# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A title longer than result pages show.
        class TitleLong < PageRule
          CODE = "title-long"
          TITLE = "Title too long"
          ABOUT = "Title"
          GRADE = "weakens"
          WHY = "What is cut off isn't read, and it is often the part that tells pages apart."
          FIX = "Shorten it, with what matters first."
          MENDED = "its title is short enough"
          KIND = "content"
          ELEMENT = "title"
          SOURCE = "CP"

          def check(page)
            return unless page.page? && page.title

            fault(page, about: page.title, chars: page.title_chars) if page.title_chars > settings.title_long
          end

          def self.identity(_fault) = nil
        end
      end
    end
  end
end
