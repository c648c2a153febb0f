# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A later page of a paged list names the first one as its canonical.
        class CanonicalPagedToFirst < PageRule
          CODE = "canonical-paged-to-first"
          TITLE = "Later list page gives its place to the first"
          ABOUT = "Canonical"
          GRADE = "diverts"
          WHY = "What only the later pages list may not be found any more."
          FIX = "Let each page of the list be its own canonical."
          KIND = "canonicals"
          SOURCE = "CP"

          def check(page)
            return unless page.canonical_state == "other" && (first = Url::Paging.first(page.url))

            fault(page, about: page.canonical) if Url::Paging.same?(page.canonical, first)
          end
        end
      end
    end
  end
end
