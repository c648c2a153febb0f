# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page whose main text has few words: menus and what frames it don't count.
        class Thin < PageRule
          CODE = "thin"
          TITLE = "Too little text"
          GRADE = "weakens"
          WHY = "A page that says little has little to be found for, and may be left out of the index."
          FIX = "Say more that readers came for, merge it with a fuller page, or keep it out of the index."
          KIND = "content"
          SOURCE = "CP"
          NEEDS_ALL = true

          def check(page)
            words = page.main_words || page.words
            fault(page, words: words) if page.page? && words && words < settings.thin_words
          end
        end
      end
    end
  end
end
