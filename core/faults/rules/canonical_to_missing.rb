# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page's canonical is a URL that answers 4xx.
        class CanonicalToMissing < LinkRule
          CODE = "canonical-to-missing"
          TITLE = "Canonical points to a missing page"
          ABOUT = "Canonical"
          GRADE = "stops"
          WHY = "The page gives its place to one that isn't there, so neither may be indexed."
          FIX = "Let the canonical name the page itself, or the page that really is its main version."
          KIND = "canonicals"
          SOURCE = "RFC 6596 section 3; CP"
          LINKS = %w[canonical].freeze
          TARGETS = :missing

          def check(source, target, _links)
            fault(source, about: target.url, status: target.status)
          end
        end
      end
    end
  end
end
