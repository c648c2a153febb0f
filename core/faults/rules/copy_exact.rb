# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that says the same as another, which stands for it.
        class CopyExact < PageRule
          CODE = "copy-exact"
          TITLE = "Exact copy of another page"
          ABOUT = "Main version"
          GRADE = "diverts"
          WHY = "The index keeps one of several pages that say the same, and it may not be the one you want."
          FIX = "Redirect it to its main version, name that as its canonical, or keep it out of the index."
          KIND = "canonicals"
          TASK = "Set canonicals of exact copies"
          TAKES = true
          SOURCE = "RFC 6596; CP"
          NEEDS_ALL = true

          def check(page)
            fault(page, about: page.copy_of) if page.copy_of && page.similarity >= Ladder::Rungs::Distinct::SAME
          end
        end
      end
    end
  end
end
