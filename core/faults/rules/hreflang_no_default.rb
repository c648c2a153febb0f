# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A set of languages has none for everybody else.
        class HreflangNoDefault < PageRule
          CODE = "hreflang-no-default"
          TITLE = "Set of languages without x-default"
          GRADE = "weakens"
          WHY = "Readers whose language isn't there get whichever page the index picks."
          FIX = "Name one page as x-default."
          MENDED = "it names an x-default"
          KIND = "languages"
          SOURCE = "CP"

          def check(page)
            codes = page.hreflang.map { |one| one["code"].downcase }
            fault(page, languages: codes) if page.page? && codes.any? && !codes.include?("x-default")
          end
        end
      end
    end
  end
end
