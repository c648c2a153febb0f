# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A canonical that isn't a whole address.
        class CanonicalMalformed < PageRule
          CODE = "canonical-malformed"
          TITLE = "Canonical isn't a whole, valid address"
          ABOUT = "Canonical as written"
          GRADE = "diverts"
          WHY = "Relative, empty or with a fragment it is read in different ways, or not at all."
          FIX = "Write it with scheme and host, without a fragment."
          KIND = "canonicals"
          SOURCE = "RFC 6596 section 3; CP"

          def check(page)
            written = page.canonical_marks&.fetch("malformed") || []
            written.map { |href| fault(page, about: href) }
          end
        end
      end
    end
  end
end
