# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An hreflang leads to a page whose canonical is another.
        class HreflangNotCanonical < LinkRule
          CODE = "hreflang-not-canonical"
          TITLE = "Language link to a page with another canonical"
          ABOUT = "Leads to"
          GRADE = "diverts"
          WHY = "The page gives its place to one that isn't in the set."
          FIX = "Name the canonical, or let the page name itself."
          KIND = "languages"
          SOURCE = "CP"
          LINKS = %w[hreflang].freeze
          TARGETS = :diverted
          ONCE = true

          def self.identity(_fault) = nil

          def check(source, target, _links, targets:)
            fault(source, about: target.url, canonical: target.canonical, targets: targets)
          end
        end
      end
    end
  end
end
