# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that should be indexed and is shown for a query of whose words it lacks some.
        class PhraseAbsent < EvidenceRule
          CODE = "phrase-absent"
          TITLE = "It is found for words that it doesn't say"
          ABOUT = "Query"
          GRADE = "weakens"
          WHY = "The index guesses that it fits. A page that says the words is a surer answer."
          FIX = "Use the words where they fit: title, description, headings, text, alt texts."
          KIND = "content"
          SOURCE = "UAX #29; CP"
          DETAILS = {"missing" => ["Words that are missing", :texts]}.freeze

          def check(page, _basis)
            return unless page.wanted

            page.queries.to_a.filter_map do |one|
              next if one["impressions"] < settings.query_impressions || one["missing"].to_a.empty?

              fault(page, about: one["query"], missing: one["missing"])
            end
          end
        end
      end
    end
  end
end
