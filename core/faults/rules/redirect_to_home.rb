# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An inner page is redirected to the home page.
        class RedirectToHome < PageRule
          CODE = "redirect-to-home"
          TITLE = "Redirect to the home page"
          ABOUT = "Ends at"
          GRADE = "diverts"
          WHY = "Who looked for the page finds something else; the index takes it for a missing page."
          FIX = "Redirect to the closest content, or answer 410."
          MENDED = "leads to what takes its place, or answers 410"
          KIND = "redirects"
          TAKES = true
          SOURCE = "CP"

          def check(page)
            return if page.redirect_to.nil? || page.redirect_loop || page.redirect_off_site || home?(page.url)

            fault(page, about: page.final_url, hops: page.redirect_chain) if home?(page.final_url)
          end

          private

          def home?(url)
            parts = Url::NormalForm.split(url)
            parts.path == "/" && parts.query.nil?
          end
        end
      end
    end
  end
end
