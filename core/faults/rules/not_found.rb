# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A linked or listed page or document answers 404 or another 4xx (410 apart).
        class NotFound < PageRule
          CODE = "not-found"
          TITLE = "Missing page"
          GRADE = "stops"
          WHY = "Visitors and crawlers are sent to a page that isn't there, and what the links were worth is lost."
          FIX = "Bring the page back, redirect it to its closest successor, or say 410 and mend the links."
          MENDED =
            "answers 200, leads for good (301 or 308) in one hop to a page that answers 200%{wanted}, or answers 410"
          KIND = "redirects"
          TAKES = true
          SOURCE = "RFC 9110 section 15.5; CP"

          def check(page)
            fault(page, status: page.status) if page.document? && page.missing? && !page.gone? && page.mentioned?
          end
        end
      end
    end
  end
end
