# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page sends its readers on at once by a refresh.
        class RedirectRefresh < PageRule
          CODE = "redirect-refresh"
          TITLE = "Redirect by meta refresh"
          ABOUT = "Redirects to"
          GRADE = "diverts"
          WHY = "Not every crawler takes it for a redirect, and the page itself may stay in the index."
          FIX = "Let the server send 301 or 308 instead."
          MENDED = "leads on by an answer of the server (301 or 308)"
          KIND = "redirects"
          TAKES = true
          SOURCE = "HTML standard, refresh; CP"

          def check(page)
            fault(page, about: page.redirect_to, source: page.refresh_source) if page.refresh_source
          end
        end
      end
    end
  end
end
