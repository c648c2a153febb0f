# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that matters lies many clicks from the start.
        class TooDeep < PageRule
          CODE = "too-deep"
          TITLE = "Important page too many clicks away"
          GRADE = "weakens"
          WHY = "What lies deep is read seldom and passes for unimportant."
          FIX = "Link to it from pages near the start."
          MENDED = "fewer clicks lead to it"
          KIND = "links"
          TASK = "Add internal links"
          SOURCE = "CP"

          def check(page)
            if page.depth && page.depth > settings.deep && page.important?(settings.important)
              fault(page, depth: page.depth, importance: page.importance)
            end
          end
        end
      end
    end
  end
end
