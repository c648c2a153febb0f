# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A canonical names a page that names yet another one.
        class CanonicalChain < PageRule
          CODE = "canonical-chain"
          TITLE = "Canonical points to a page with another canonical"
          ABOUT = "Canonical"
          GRADE = "diverts"
          WHY = "Crawlers may stop half way, and the wrong one of them is kept."
          FIX = "Name the last page straight away."
          KIND = "canonicals"
          SOURCE = "RFC 6596 section 3; CP"

          def check(page)
            return if page.canonical_loop || page.canonical_chain.size < 2

            fault(page, about: page.canonical, chain: page.canonical_chain)
          end
        end
      end
    end
  end
end
