# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An hreflang leads to a page that doesn't name this one back.
        class HreflangNoReturn < LinkRule
          CODE = "hreflang-no-return"
          TITLE = "No return link between language versions"
          ABOUT = "Page without return link"
          GRADE = "diverts"
          WHY = "Both must name each other, or neither counts."
          FIX = "Let every page of the set name every other."
          MENDED = "%{about} names it in turn, or isn't named any more"
          KIND = "languages"
          SOURCE = "CP"
          LINKS = %w[hreflang].freeze
          TARGETS = :unanswering

          def check(source, target, _links)
            fault(source, about: target.url)
          end
        end
      end
    end
  end
end
