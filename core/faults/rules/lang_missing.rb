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
          KIND = "content"
          ELEMENT = "lang"
          TASK = "Declare the page language"
          SOURCE = "HTML standard, the lang attribute; CP"

          # Where versions in other languages are named, it is work on those.
          def self.kind(detail = {}, chosen: false) = detail["languages"] ? "languages" : super

          def check(page)
            return unless page.page? && page.lang.nil?

            named = page.hreflang.to_a.filter_map { |one| one["code"] }.uniq.sort
            named.any? ? fault(page, languages: named) : fault(page)
          end
        end
      end
    end
  end
end
