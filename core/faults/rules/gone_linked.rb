# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A URL that answers 410 is still linked.
        class GoneLinked < PageRule
          CODE = "gone-linked"
          TITLE = "Page that is gone is still linked"
          GRADE = "weakens"
          WHY = "The page was taken away on purpose, yet links still send people and crawlers there."
          FIX = "Remove the links, or point them at what took its place."
          MENDED = "no page links to it any more, or it leads on"
          KIND = "redirects"
          TAKES = true
          SOURCE = "RFC 9110 section 15.5.11; CP"

          def check(page)
            fault(page, links_in: page.links_in) if page.gone? && page.links_in.positive?
          end
        end
      end
    end
  end
end
