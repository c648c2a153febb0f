# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An hreflang leads to a URL that redirects.
        class HreflangToRedirect < LinkRule
          CODE = "hreflang-to-redirect"
          TITLE = "Language link to a redirect"
          ABOUT = "Leads to"
          GRADE = "diverts"
          WHY = "The page it means never names this one back, so neither counts."
          FIX = "Name the final address."
          KIND = "languages"
          SOURCE = "CP"
          LINKS = %w[hreflang].freeze
          TARGETS = :redirecting

          def check(source, target, _links)
            fault(source, about: target.url, final_url: target.final_url)
          end
        end
      end
    end
  end
end
