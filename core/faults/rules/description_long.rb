# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A description longer than result pages show.
        class DescriptionLong < PageRule
          CODE = "description-long"
          TITLE = "Description too long"
          SAME = "description"
          GRADE = "weakens"
          WHY = "The end is cut off."
          FIX = "Shorten it, with what matters first."
          MENDED = "its description is short enough"
          KIND = "content"
          ELEMENT = "description"
          SOURCE = "CP"

          def check(page)
            if page.page? && page.description_chars && page.description_chars > settings.description_long
              fault(page, description: page.description, chars: page.description_chars)
            end
          end
        end
      end
    end
  end
end
