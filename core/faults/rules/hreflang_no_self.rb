# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page names its other languages but not itself.
        class HreflangNoSelf < PageRule
          CODE = "hreflang-no-self"
          TITLE = "Set of languages doesn't name its own page"
          GRADE = "weakens"
          WHY = "The set isn't whole, and crawlers may pass it over."
          FIX = "Let each page of the set name every page, itself included."
          MENDED = "it names itself"
          KIND = "languages"
          SOURCE = "CP"

          def check(page)
            targets = page.hreflang.map { |one| one["url"] }
            if page.page? && targets.any? && !targets.include?(page.url)
              fault(page, languages: page.hreflang.map { |one| one["code"] })
            end
          end
        end
      end
    end
  end
end
