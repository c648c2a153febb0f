# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An important page to which few pages link.
        class FewLinksIn < PageRule
          CODE = "few-links-in"
          TITLE = "Important page with few links to it"
          GRADE = "weakens"
          WHY =
            "What matters should be linked to from many places; a page with one or two links looks like a by-product."
          FIX = "Link to it from the pages of its subject, and from those above it."
          MENDED = "enough pages link to it"
          KIND = "links"
          TASK = "Add internal links"
          SOURCE = "CP"

          def check(page)
            return unless page.page? && page.important?(settings.important)

            if page.links_in < settings.few_links && page.links_in.positive?
              fault(page, links_in: page.links_in, importance: page.importance)
            end
          end
        end
      end
    end
  end
end
