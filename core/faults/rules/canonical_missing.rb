# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that names no canonical.
        class CanonicalMissing < PageRule
          CODE = "canonical-missing"
          TITLE = "Page without canonical"
          GRADE = "weakens"
          WHY = "Under parameters and other spellings of its address it may be kept twice."
          FIX = "Let each page name itself."
          KIND = "canonicals"
          TASK = "Add canonical tags"
          SOURCE = "RFC 6596; CP"

          def check(page)
            fault(page) if page.page? && page.canonical_state == "none"
          end
        end
      end
    end
  end
end
