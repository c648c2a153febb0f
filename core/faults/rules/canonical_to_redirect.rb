# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page's canonical is a URL that redirects.
        class CanonicalToRedirect < LinkRule
          CODE = "canonical-to-redirect"
          TITLE = "Canonical points to a redirect"
          ABOUT = "Canonical"
          GRADE = "diverts"
          WHY = "The canonical and the redirect send different messages about which address counts."
          FIX = "Let the canonical name the final address."
          KIND = "canonicals"
          SOURCE = "RFC 6596 section 3; CP"
          LINKS = %w[canonical].freeze
          TARGETS = :redirecting

          def check(source, target, _links)
            fault(source, about: target.url, final_url: target.final_url)
          end
        end
      end
    end
  end
end
