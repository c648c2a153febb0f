# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An hreflang link whose address isn't absolute.
        class HreflangRelative < PageRule
          CODE = "hreflang-relative"
          TITLE = "Language link without a whole address"
          ABOUT = "Address as written"
          GRADE = "weakens"
          WHY = "Search engines ask for whole addresses; others may be passed over."
          FIX = "Write the address with scheme and host."
          KIND = "languages"
          SOURCE = "CP"

          def check(page)
            page
              .hreflang
              .select { |one| one["relative"] }
              .map { |one| fault(page, about: one["url"], code: one["code"]) }
              .uniq
          end
        end
      end
    end
  end
end
