# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that doesn't say how wide a screen it is for.
        class NotForPhones < PageRule
          CODE = "not-for-phones"
          TITLE = "Page without phone layout"
          GRADE = "weakens"
          WHY = "Phones then draw it as for a desk, too small to be read; pages are judged as phones see them."
          FIX = "Put a meta “viewport” with width=device-width into the head."
          SOURCE = "CP"
          WIDTH = /width\s*=/i

          def check(page)
            fault(page, viewport: page.viewport) if page.page? && !page.viewport.to_s.match?(WIDTH)
          end
        end
      end
    end
  end
end
