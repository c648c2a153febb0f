# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A wanted URL is disallowed by robots.txt.
        class BlockedWanted < PageRule
          CODE = "blocked-wanted"
          TITLE = "Page that should be indexed is blocked by robots.txt"
          ABOUT = "Rule in robots.txt"
          GRADE = "stops"
          WHY = "What may not be fetched can't be read, and is at best indexed without its content."
          FIX = "Change or drop the robots.txt line, or add an Allow line that is longer."
          MENDED = "may be fetched by robots.txt"
          KIND = "robots"
          SOURCE = "RFC 9309 section 2.2"

          def check(page)
            return unless page.wanted && page.robots_allowed == false

            fault(page, about: page.robots_rule, line: page.robots_line, reachable: page.robots_reachable)
          end
        end
      end
    end
  end
end
