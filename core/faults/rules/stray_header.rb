# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # X-Robots-Tag restricts while the page's own tags do not.
        class StrayHeader < PageRule
          CODE = "stray-header"
          TITLE = "Robots directive only in a header"
          GRADE = "weakens"
          WHY = "A restriction in a header is invisible in the page's source, so it stays unnoticed for long."
          FIX = "Say it in one place: in the page if it is meant, nowhere if it isn't."
          MENDED = "no header restricts what its own tags allow"
          KIND = "directives"
          TASK = "Correct robots directives"
          SOURCE = "RFC 9110 section 5; CP"

          def check(page)
            fault(page, where: page.noindex_where) if page.kind == "html" && page.header_noindex_alone
          end
        end
      end
    end
  end
end
