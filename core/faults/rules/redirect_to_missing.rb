# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A redirect that ends at a URL that answers 4xx.
        class RedirectToMissing < PageRule
          CODE = "redirect-to-missing"
          TITLE = "Redirect to a missing page"
          ABOUT = "Ends at"
          GRADE = "stops"
          WHY = "The old address sends everyone to nothing, and what it had earned is lost."
          FIX = "Let it lead to the page that took its place, or answer 410."
          MENDED = "leads to a page that answers 200, or answers 410"
          KIND = "redirects"
          TAKES = true
          SOURCE = "RFC 9110 section 15.4; CP"

          def check(page)
            if page.redirect_to && (400..499).cover?(page.final_status)
              fault(page, about: page.final_url, status: page.final_status, hops: page.redirect_chain)
            end
          end
        end
      end
    end
  end
end
