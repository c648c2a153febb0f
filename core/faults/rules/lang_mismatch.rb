# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # The language that a page says it is in is another than its hreflang gives.
        class LangMismatch < PageRule
          CODE = "lang-mismatch"
          TITLE = "Declared languages disagree"
          ABOUT = "Language in hreflang"
          GRADE = "weakens"
          WHY = "One of the two is wrong, and crawlers must choose."
          FIX = "Correct the lang attribute or the hreflang."
          KIND = "languages"
          TASK = "Complete hreflang"
          SOURCE = "HTML standard, the lang attribute; CP"

          def check(page)
            own =
              page
                .hreflang
                .select { |one| one["url"] == page.url }
                .map { |one| Languages::Tag.read(one["code"]).language }
                .compact - ["x-default"]
            if page.lang && own.any? && !own.include?(page.lang.downcase[/\A[a-z]+/])
              fault(page, about: own.first, lang: page.lang)
            end
          end
        end
      end
    end
  end
end
