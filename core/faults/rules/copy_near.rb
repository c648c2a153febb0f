# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that says nearly the same as another, which stands for it.
        class CopyNear < PageRule
          CODE = "copy-near"
          TITLE = "Nearly the same as another page"
          ABOUT = "Main version"
          GRADE = "diverts"
          WHY = "Of pages that are nearly alike the index tends to keep one and to pass over the rest."
          FIX = "Merge them, let each say more of its own, or name their main version as the canonical."
          KIND = "content"
          TASK = "Merge or rewrite near copies"
          SOURCE = "Broder 1997 (similarity of five-word shingles); CP"
          NEEDS_ALL = true

          def check(page)
            if page.copy_of && page.similarity < Ladder::Rungs::Distinct::SAME
              fault(page, about: page.copy_of, similarity: page.similarity.round(2))
            end
          end
        end
      end
    end
  end
end
