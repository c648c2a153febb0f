# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # Canonicals that lead back to where they began.
        class CanonicalLoop < PageRule
          CODE = "canonical-loop"
          TITLE = "Canonicals go round in a circle"
          ABOUT = "Canonical"
          GRADE = "stops"
          WHY = "Each gives its place to another, so that none has one."
          FIX = "Choose the page that is to be kept and let it name itself."
          KIND = "canonicals"
          SOURCE = "RFC 6596 section 3; CP"

          def check(page)
            fault(page, about: page.canonical, chain: page.canonical_chain) if page.canonical_loop
          end
        end
      end
    end
  end
end
