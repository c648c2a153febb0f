# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # The canonical in the header is another than the one in the page.
        class CanonicalClash < PageRule
          CODE = "canonical-clash"
          TITLE = "Canonicals disagree"
          ABOUT = "Canonical in the header"
          GRADE = "diverts"
          WHY = "None of them counts, and the index chooses by itself."
          FIX = "Let one of them go, or make them the same."
          KIND = "canonicals"
          SOURCE = "RFC 6596 section 3; RFC 8288; CP"

          def check(page)
            html, header = page.canonicals.values_at("html", "header")
            fault(page, about: header.first, html: html, header: header) if html && header && html != header
          end
        end
      end
    end
  end
end
