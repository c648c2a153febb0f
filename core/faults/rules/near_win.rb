# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that should be indexed and is found for a query behind the first few results.
        class NearWin < EvidenceRule
          CODE = "near-win"
          TITLE = "A query for which it is nearly on the first page"
          ABOUT = "Query"
          GRADE = "weakens"
          WHY = "A few places up it would be seen: this is where little work brings most."
          FIX =
            "Answer that query better: in the title, a heading and the text, and with links from pages that are near " \
            "in subject."
          KIND = "content"
          SOURCE = "CP"

          def check(page, _basis)
            return unless page.wanted

            page.queries.to_a.filter_map do |one|
              next unless one["impressions"] >= settings.query_impressions && one["position"] && near?(one["position"])

              fault(page, about: one["query"], impressions: one["impressions"], position: one["position"])
            end
          end

          private

          def near?(position) = position.between?(settings.near_win_first, settings.near_win_last)
        end
      end
    end
  end
end
