# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A live page to which no followed internal link leads.
        class Orphan < PageRule
          CODE = "orphan"
          TITLE = "Page without links to it"
          GRADE = "weakens"
          WHY =
            "Without links a page gets no authority and is found late or never; a sitemap alone doesn't make up for it."
          FIX = "Link to it from the pages of its subject, or retire it."
          MENDED = "a page links to it"
          KIND = "links"
          TASK = "Add internal links"
          SOURCE = "CP"

          def check(page)
            return unless page.whole && page.status == 200 && %w[html pdf].include?(page.kind)

            fault(page) if page.depth.nil? && page.followed_in.zero? && !page.start
          end
        end
      end
    end
  end
end
