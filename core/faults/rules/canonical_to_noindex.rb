# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page's canonical carries a noindex.
        class CanonicalToNoindex < LinkRule
          CODE = "canonical-to-noindex"
          TITLE = "Canonical points to a noindexed page"
          ABOUT = "Canonical"
          GRADE = "stops"
          WHY = "The page gives its place to one that doesn't want it, so neither is indexed."
          FIX = "Take the noindex off the canonical, or let the page name itself."
          KIND = "canonicals"
          SOURCE = "RFC 6596 section 3; CP"
          LINKS = %w[canonical].freeze
          TARGETS = :noindexed

          def check(source, target, _links)
            fault(source, about: target.url)
          end
        end
      end
    end
  end
end
