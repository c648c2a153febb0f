# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A canonical names a page of another site that wasn't chosen.
        class CanonicalOffSite < PageRule
          CODE = "canonical-off-site"
          TITLE = "Canonical points to another site"
          ABOUT = "Canonical"
          GRADE = "diverts"
          WHY = "The page gives its place in the index away."
          FIX = "See whether that is meant; if not, let the page name itself."
          KIND = "canonicals"
          SOURCE = "RFC 6596; CP"

          def check(page)
            fault(page, about: page.canonical) if page.canonical_off_site && page.canonical != page.chosen_canonical
          end
        end
      end
    end
  end
end
