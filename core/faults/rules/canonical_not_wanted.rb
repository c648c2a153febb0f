# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A URL was chosen to stand for the page, and its canonical names another, or none.
        class CanonicalNotWanted < PageRule
          CODE = "canonical-not-wanted"
          TITLE = "Canonical differs from the one decided"
          ABOUT = "Decided canonical"
          GRADE = "diverts"
          WHY = "What was decided isn't done, so the index goes by what the page says."
          FIX = "Let the canonical name the URL that was chosen."
          KIND = "canonicals"
          TAKES = true
          SOURCE = "RFC 6596; CP"

          def check(page)
            return if page.chosen_canonical.nil? || page.kind != "html" || page.status != 200

            if (page.canonical || page.url) != page.chosen_canonical
              fault(page, about: page.chosen_canonical, canonical: page.canonical)
            end
          end
        end
      end
    end
  end
end
