# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page from which no link leads anywhere.
        class DeadEnd < PageRule
          CODE = "dead-end"
          TITLE = "Page without links to other pages"
          GRADE = "weakens"
          WHY = "Readers and crawlers end here, and what authority the page gets goes no further."
          FIX = "Put it into the site's frame, or link to what comes next."
          MENDED = "it links on"
          KIND = "links"
          TASK = "Add links to pages without any"
          SOURCE = "CP"

          def check(page)
            # What leads out of the answer for missing pages is never followed, and its fault is another one.
            fault(page) if page.page? && !page.soft_missing && page.links_out&.zero?
          end
        end
      end
    end
  end
end
