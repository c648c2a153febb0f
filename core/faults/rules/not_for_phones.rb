# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that doesn't say how wide a screen it is for; where it was rendered, one that doesn't lie well on a
        # phone.
        class NotForPhones < PageRule
          CODE = "not-for-phones"
          TITLE = "Page without phone layout"
          GRADE = "weakens"
          WHY = "Phones then draw it as for a desk, too small to be read; pages are judged as phones see them."
          FIX =
            "Put a meta “viewport” with width=device-width into the head; let nothing be wider than the screen, and " \
            "no text smaller than 12 pixels."
          KIND = "content"
          ELEMENT = "viewport"
          TASK = "Add a phone layout"
          SOURCE = "CP"
          DETAILS = {
            "viewport" => ["Viewport", :text],
            "content_width" => ["Width on a phone, pixels", :number],
            "smallest_text" => ["Smallest text, pixels", :number]
          }.freeze
          WIDTH = /width\s*=/i

          def check(page)
            return unless page.page?
            return fault(page, viewport: page.viewport) unless page.viewport.to_s.match?(WIDTH)

            seen(page) if page.on_phone
          end

          private

          def seen(page)
            layout = Rendering::Layout.new(**page.on_phone.transform_keys(&:to_sym))
            return unless layout.too_wide? || layout.too_small?

            fault(page, viewport: page.viewport, content_width: layout.content, smallest_text: layout.smallest_text)
          end
        end
      end
    end
  end
end
