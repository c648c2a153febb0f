# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A redirect that says it is for the time being.
        class RedirectTemporary < PageRule
          CODE = "redirect-temporary"
          TITLE = "Temporary redirect"
          ABOUT = "Redirects to"
          GRADE = "weakens"
          WHY = "The old address stays in the index, since the move may be taken back."
          FIX = "Send 301 or 308 if the move is for good."
          MENDED = "leads on for good (301 or 308)"
          KIND = "redirects"
          TAKES = true
          SOURCE = "RFC 9110 sections 15.4.3, 15.4.4 and 15.4.8; CP"

          def check(page)
            if page.redirect_to && [302, 303, 307].include?(page.status)
              fault(page, about: page.redirect_to, status: page.status)
            end
          end
        end
      end
    end
  end
end
