# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An hreflang leads to a URL that answers 4xx.
        class HreflangToMissing < LinkRule
          CODE = "hreflang-to-missing"
          TITLE = "Language link to a missing page"
          ABOUT = "Leads to"
          GRADE = "diverts"
          WHY = "Readers of that language are sent to nothing, and neither counts."
          FIX = "Let it name the page that is there, or take it out."
          KIND = "languages"
          SOURCE = "CP"
          LINKS = %w[hreflang].freeze
          TARGETS = :missing

          def check(source, target, _links)
            fault(source, about: target.url, status: target.status)
          end
        end
      end
    end
  end
end
