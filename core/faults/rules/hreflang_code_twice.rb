# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page gives two URLs for one language.
        class HreflangCodeTwice < PageRule
          CODE = "hreflang-code-twice"
          TITLE = "Two pages for one language"
          ABOUT = "Code"
          GRADE = "diverts"
          WHY = "Which of them readers should get is left open."
          FIX = "Leave one of them."
          KIND = "languages"
          SOURCE = "CP"

          def check(page)
            page
              .hreflang
              .group_by { |one| one["code"].downcase }
              .transform_values { |ones| ones.map { |one| one["url"] }.uniq }
              .select { |_, urls| urls.size > 1 }
              .map { |code, urls| fault(page, about: code, urls: urls) }
          end
        end
      end
    end
  end
end
