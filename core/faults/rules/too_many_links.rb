# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page with very many links.
        class TooManyLinks < PageRule
          CODE = "too-many-links"
          TITLE = "Too many links on one page"
          GRADE = "weakens"
          WHY = "Each of them passes on little, and readers find none."
          FIX = "Part the page, or link only to what a reader of it wants."
          MENDED = "it has fewer links"
          KIND = "links"
          TASK = "Reduce links on pages"
          SOURCE = "CP"

          def check(page)
            if page.kind == "html" && page.links_out && page.links_out > settings.many_links
              fault(page, links: page.links_out)
            end
          end
        end
      end
    end
  end
end
