# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # robots.txt blocks a page's canonical.
        class CanonicalToBlocked < LinkRule
          CODE = "canonical-to-blocked"
          TITLE = "Canonical points to a page blocked by robots.txt"
          ABOUT = "Canonical"
          GRADE = "diverts"
          WHY = "Crawlers can't read the page that is to stand for this one."
          FIX = "Unblock the canonical, or let the page name itself."
          KIND = "canonicals"
          SOURCE = "RFC 6596 section 3; RFC 9309; CP"
          LINKS = %w[canonical].freeze
          TARGETS = :blocked

          def check(source, target, _links)
            fault(source, about: target.url, line: target.robots_line)
          end
        end
      end
    end
  end
end
