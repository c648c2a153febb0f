# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A site whose pages are in several languages names none of them.
        class HreflangNone < SiteRule
          CODE = "hreflang-none"
          TITLE = "Several languages without hreflang"
          ABOUT = "Languages"
          GRADE = "weakens"
          WHY =
            "Search engines can't tell which page is for readers of which language, and may show the wrong one, or " \
            "only one of them."
          FIX = "Let each page name its versions in the other languages, itself and an x-default among them."
          KIND = "languages"
          SOURCE = "HTML standard, link type alternate; CP"
          # One page in another language may be a slip of its lang attribute.
          LEAST_PAGES = 2

          # Which languages those are is told in detail.
          def self.identity(_fault) = nil

          def check(site)
            spoken = site.languages.select { |_, pages| pages >= LEAST_PAGES }
            return [] if site.names_languages || spoken.size < 2

            [fault_at(site.home, about: spoken.keys.sort.join(", "), pages: spoken)]
          end
        end
      end
    end
  end
end
