# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page most of whose words stand on other pages too, like a listing of excerpts. What is a copy as a whole is
        # told as one; the front page of a site or of a language leads to what others say, and is told nothing.
        class LittleOfItsOwn < PageRule
          CODE = "little-of-its-own"
          TITLE = "Little unique text"
          GRADE = "weakens"
          WHY = "Where a page repeats what others say, there is no reason to find it rather than them."
          FIX = "Give it words of its own, or keep it out of the index."
          KIND = "content"
          SOURCE = "CP"
          NEEDS_ALL = true

          FRONT = %r{\Ahttps?://[^/]+/(?:(?<language>[a-z]{2,3}(?:-[a-z0-9]+)*)/)?(?:(?:index|default|home)\.\w+)?\z}i

          def check(page)
            return unless page.unique_share && page.copies.zero? && !front?(page.url)

            fault(page, unique_share: page.unique_share.round(2)) if page.unique_share < settings.little_unique_share
          end

          private

          def front?(url) =
            FRONT.match(url) { |found| found[:language].nil? || Languages::Tag.read(found[:language]).usable? }
        end
      end
    end
  end
end
