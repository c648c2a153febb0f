# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An image of the page isn't there, or answers with a page.
        class ImageBroken < LinkRule
          CODE = "image-broken"
          TITLE = "Image doesn't load"
          ABOUT = "Image"
          GRADE = "weakens"
          WHY = "Readers see a hole, and the image can't be found."
          FIX = "Put the image back or take it out of the page."
          MENDED = "%{about} answers with an image or is gone"
          KIND = "content"
          ELEMENT = "alt"
          SOURCE = "CP"
          LINKS = %w[image].freeze
          TARGETS = :unlike_image

          def check(source, target, _links)
            fault(
              source,
              about: target.url,
              status: target.status,
              error: target.error,
              content_type: target.content_type
            )
          end
        end
      end
    end
  end
end
