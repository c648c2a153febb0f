# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An hreflang link outside the head.
        class HreflangMisplaced < PageRule
          CODE = "hreflang-misplaced"
          TITLE = "Language link outside the head"
          ABOUT = "Leads to"
          GRADE = "weakens"
          WHY = "Search engines read these links in the head only."
          FIX = "Move it into the head; see what closes the head early."
          KIND = "languages"
          SOURCE = "HTML standard, the link element; CP"

          def check(page)
            page
              .hreflang
              .select { |one| one["misplaced"] }
              .map { |one| fault(page, about: one["url"], code: one["code"]) }
              .uniq
          end
        end
      end
    end
  end
end
