# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A wanted URL carries a noindex.
        class NoindexWanted < PageRule
          CODE = "noindex-wanted"
          TITLE = "Page that should be indexed has noindex"
          GRADE = "stops"
          WHY = "A page that says noindex is taken out of the index, however good it is."
          FIX = "Remove the noindex from the page or the header, then have the page fetched again."
          MENDED = "says no noindex"
          KIND = "directives"
          TASK = "Remove noindex"
          SOURCE = "WHATWG HTML, meta robots by common practice; X-Robots-Tag: CP"

          def check(page)
            fault(page, where: page.noindex_where) if page.wanted && page.noindex
          end
        end
      end
    end
  end
end
