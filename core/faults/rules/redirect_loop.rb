# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A redirect that leads back to itself.
        class RedirectLoop < PageRule
          CODE = "redirect-loop"
          TITLE = "Redirect goes round in a circle"
          ABOUT = "Redirects to"
          GRADE = "stops"
          WHY = "Nobody ever arrives: browsers show an error and crawlers drop the address."
          FIX = "Let one address of the loop answer by itself, or redirect all of them to a page that does."
          MENDED = "leads somewhere"
          KIND = "redirects"
          TAKES = true
          SOURCE = "RFC 9110 section 15.4"

          def check(page)
            fault(page, about: page.redirect_to, hops: page.redirect_chain) if page.redirect_loop && page.redirect_to
          end
        end
      end
    end
  end
end
