# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A redirect that leads off the site.
        class RedirectOffSite < PageRule
          CODE = "redirect-off-site"
          TITLE = "Redirect leads to another site"
          ABOUT = "Redirects to"
          GRADE = "diverts"
          WHY = "What the address had earned goes to another site."
          FIX = "See whether that is meant; if not, redirect to a page of your own."
          MENDED = "stays on the site"
          KIND = "redirects"
          TAKES = true
          SOURCE = "CP"

          def check(page)
            fault(page, about: page.redirect_to, status: page.status) if page.redirect_off_site
          end
        end
      end
    end
  end
end
