# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A noindex stands behind a robots.txt block.
        class NoindexUnseen < PageRule
          CODE = "noindex-unseen"
          TITLE = "Noindex hidden by robots.txt"
          ABOUT = "Rule in robots.txt"
          GRADE = "stops"
          WHY =
            "A crawler has to fetch a page to see its noindex; while robots.txt forbids that, the address can stay " \
            "in the index."
          FIX = "Unblock the page, wait until the noindex was seen and the page is out of the index, then block again."
          MENDED = "may be fetched, so that its noindex is seen"
          KIND = "robots"
          SOURCE = "RFC 9309 section 2.2; CP"

          def self.lets_climb? = true

          def check(page)
            if page.robots_allowed == false && page.noindex
              fault(page, about: page.robots_rule, line: page.robots_line, where: page.noindex_where)
            end
          end
        end
      end
    end
  end
end
