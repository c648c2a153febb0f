# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A description that leaves room unused.
        class DescriptionShort < PageRule
          CODE = "description-short"
          TITLE = "Description too short"
          SAME = "description"
          GRADE = "weakens"
          WHY = "A few words seldom make anyone choose the page."
          FIX = "Say what the page offers."
          MENDED = "its description is long enough"
          KIND = "content"
          ELEMENT = "description"
          SOURCE = "CP"

          def check(page)
            if page.page? && page.description_chars&.positive? && page.description_chars < settings.description_short
              fault(page, description: page.description, chars: page.description_chars)
            end
          end
        end
      end
    end
  end
end
