# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # The name, address or telephone number of the business is written otherwise than on most pages.
        class FactsDiffer < SiteRule
          CODE = "facts-differ"
          TITLE = "Business facts differ from page to page"
          ABOUT = "Written here"
          SAME = "fact"
          GRADE = "weakens"
          WHY = "Who reads that can't be sure that it is one business."
          FIX = "Write it in one way on all pages, in the text and in the structured data."
          KIND = "content"
          ELEMENT = "data"
          TASK = "Correct business facts"
          SOURCE = "CP"
          DETAILS = {"fact" => ["Fact", :text], "usual" => ["Mostly written", :text]}.freeze

          def check(site)
            site.odd_facts.map { |odd| fault_at(odd.url, about: odd.writing, fact: odd.fact, usual: odd.usual) }
          end
        end
      end
    end
  end
end
