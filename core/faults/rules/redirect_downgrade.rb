# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A redirect from https to http.
        class RedirectDowngrade < PageRule
          CODE = "redirect-downgrade"
          TITLE = "Redirect from https to http"
          ABOUT = "Redirects to"
          GRADE = "weakens"
          WHY = "It gives up encryption, and browsers warn of it."
          FIX = "Redirect to the https address."
          MENDED = "stays on https"
          KIND = "server"
          TASK = "Keep redirects on https"
          SOURCE = "RFC 9110 section 4.2.2; CP"

          def check(page)
            hops = [page.url, *page.redirect_chain]
            fault(page, about: page.redirect_to) if hops[0].start_with?("https:") && hops[1]&.start_with?("http:")
          end
        end
      end
    end
  end
end
