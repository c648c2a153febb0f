# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An image without an alt text. An empty one is a choice, and no fault.
        class ImageNoAlt < LinkRule
          CODE = "image-no-alt"
          TITLE = "Image without alt text"
          ABOUT = "Image"
          GRADE = "weakens"
          WHY = "Who can't see the image is told nothing, and neither are search engines."
          FIX = "Say in the alt attribute what the image shows; leave it empty where it only adorns."
          MENDED = "%{about} has an alt text"
          KIND = "content"
          ELEMENT = "alt"
          SOURCE = "HTML standard, the img element; WCAG 2.2, 1.1.1"
          LINKS = %w[image].freeze
          TARGETS = :unnamed

          def check(source, target, links)
            fault(source, about: target.url) if links.any? { |link| link[:text].nil? }
          end
        end
      end
    end
  end
end
