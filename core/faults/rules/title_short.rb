# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A title that leaves room unused.
        class TitleShort < PageRule
          CODE = "title-short"
          TITLE = "Title too short"
          ABOUT = "Title"
          GRADE = "weakens"
          WHY = "A word or two seldom say what a page has that others haven't."
          FIX = "Say what is special about the page."
          MENDED = "its title is long enough"
          KIND = "content"
          ELEMENT = "title"
          SOURCE = "CP"

          def self.identity(_fault) = nil

          def check(page)
            return unless page.page? && !page.title.to_s.empty?

            fault(page, about: page.title, chars: page.title_chars) if page.title_chars < settings.title_short
          end
        end
      end
    end
  end
end
