# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An hreflang leads to a URL that robots.txt blocks.
        class HreflangToBlocked < LinkRule
          CODE = "hreflang-to-blocked"
          TITLE = "Language link to a page blocked by robots.txt"
          ABOUT = "Leads to"
          GRADE = "diverts"
          WHY = "Crawlers can't see that it names this page back, so neither counts."
          FIX = "Unblock it, or take it out of the set."
          KIND = "languages"
          SOURCE = "CP"
          LINKS = %w[hreflang].freeze
          TARGETS = :blocked

          def check(source, target, _links)
            fault(source, about: target.url, line: target.robots_line)
          end
        end
      end
    end
  end
end
