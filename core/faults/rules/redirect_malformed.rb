# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A redirect that doesn't say where to.
        class RedirectMalformed < PageRule
          CODE = "redirect-malformed"
          TITLE = "Redirect without a usable target"
          GRADE = "stops"
          WHY = "Nobody can follow it: there is no Location, or none that can be read."
          FIX = "Send a Location with the whole address."
          MENDED = "leads to an address"
          KIND = "redirects"
          TAKES = true
          SOURCE = "RFC 9110 section 10.2.2"

          def check(page)
            if [301, 302, 303, 307, 308].include?(page.status) && page.redirect_to.nil? && page.error.nil?
              fault(page, status: page.status)
            end
          end
        end
      end
    end
  end
end
