# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # The file name of an image says nothing.
        class ImageName < LinkRule
          CODE = "image-name"
          TITLE = "Image file name says nothing"
          ABOUT = "Image"
          GRADE = "weakens"
          WHY = "The name is one of the few things that tell what an image shows."
          FIX = "Name it after what is to be seen, in words with hyphens."
          MENDED = "%{about} has a name that says what it shows, or is gone"
          KIND = "content"
          ELEMENT = "alt"
          SOURCE = "CP"
          LINKS = %w[image].freeze
          TARGETS = :numbered

          def check(source, target, links)
            if Content::FileName.says_nothing?(target.url) && !Content::FileName.icon?(target.url, links)
              fault(source, about: target.url)
            end
          end
        end
      end
    end
  end
end
