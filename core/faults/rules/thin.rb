# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page with few words for its kind.
        class Thin < PageRule
          CODE = "thin"
          TITLE = "Too little text"
          GRADE = "weakens"
          WHY = "A page that says little has little to be found for, and may be left out of the index."
          FIX = "Say more that readers came for, merge it with a fuller page, or keep it out of the index."
          # Whatever its group says, a page of so many words isn't thin (ours).
          ENOUGH = 300
          KIND = "content"
          SOURCE = "CP"
          NEEDS_ALL = true

          def check(page)
            return unless page.page? && page.words

            if short?(page) || short_for_its_group?(page)
              fault(page, words: page.words, group_median: page.group_median_words)
            end
          end

          private

          def short?(page) = page.words < settings.thin_words

          def short_for_its_group?(page)
            page.group_median_words && page.words < ENOUGH && page.words < page.group_median_words * settings.thin_share
          end
        end
      end
    end
  end
end
