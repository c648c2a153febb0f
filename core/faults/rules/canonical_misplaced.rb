# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A canonical stands outside the head.
        class CanonicalMisplaced < PageRule
          CODE = "canonical-misplaced"
          TITLE = "Canonical outside the head"
          ABOUT = "Canonical as written"
          GRADE = "diverts"
          WHY = "It isn't used there, since anyone who may write into a page could set it."
          FIX = "Move it into the head; often something before it ends the head too early."
          KIND = "canonicals"
          SOURCE = "HTML standard, link; CP"

          def check(page)
            written = page.canonical_marks&.fetch("misplaced") || []
            written.map { |href| fault(page, about: href) }
          end
        end
      end
    end
  end
end
