# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A redirect that takes two hops or more to its end.
        class RedirectChain < PageRule
          CODE = "redirect-chain"
          TITLE = "Redirect in several hops"
          ABOUT = "Ends at"
          GRADE = "diverts"
          WHY = "Each hop costs time, and crawlers give up after a few."
          FIX = "Let the first address redirect straight to the last one."
          MENDED = "leads where it shall in one hop"
          KIND = "redirects"
          TAKES = true
          SOURCE = "RFC 9110 section 15.4; CP"

          def check(page)
            return if page.redirect_loop || page.redirect_chain.size < 2

            fault(page, about: page.final_url, hops: page.redirect_chain)
          end
        end
      end
    end
  end
end
