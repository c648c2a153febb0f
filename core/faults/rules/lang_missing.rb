# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that doesn't say which language it is in.
        class LangMissing < PageRule
          CODE = "lang-missing"
          TITLE = "Page doesn't declare its language"
          GRADE = "weakens"
          WHY = "Readers' programs and translators must guess, and so must those who sort pages by language."
          FIX = "Put lang on the html element."
          KIND = "languages"
          SOURCE = "HTML standard, the lang attribute; CP"

          def check(page)
            fault(page) if page.page? && page.lang.nil?
          end
        end
      end
    end
  end
end
