# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An image of the page is heavy.
        class ImageHeavy < LinkRule
          CODE = "image-heavy"
          TITLE = "Image too large"
          ABOUT = "Image"
          GRADE = "weakens"
          WHY = "It makes the page slow, most of all on phones."
          FIX = "Save it smaller: in the size in which it is shown, in a newer format."
          MENDED = "%{about} is lighter or gone"
          KIND = "content"
          ELEMENT = "alt"
          SOURCE = "CP"
          LINKS = %w[image].freeze
          TARGETS = :heavy

          def check(source, target, _links)
            fault(source, about: target.url, bytes: target.bytes) if target.bytes && target.bytes > settings.heavy_image
          end
        end
      end
    end
  end
end
