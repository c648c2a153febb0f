# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # Many unlike URLs are redirected to one page.
        class RedirectManyToOne < SetRule
          CODE = "redirect-many-to-one"
          TITLE = "Many addresses redirect to one page"
          ABOUT = "Redirects to"
          GRADE = "weakens"
          WHY = "Such redirects are taken for missing pages."
          FIX = "Send each to the page that took its place; where there is none, answer 410."
          MENDED = "leads to what takes its own place"
          KIND = "redirects"
          TAKES = true
          SOURCE = "CP"
          VALUE = :final_url

          def check(page, shared)
            if shared.pages > settings.many_to_one && !page.redirect_loop
              fault(page, about: shared.value, urls: shared.pages)
            end
          end
        end
      end
    end
  end
end
