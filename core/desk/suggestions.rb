# frozen_string_literal: true

module IronTrellis
  module Core
    module Desk
      # What a page could say besides, by what its rivals and the queries that show it say; never made-up text.
      module Suggestions
        MOST = 12
        # Elements in which it matters most that rivals have a term there.
        TOLD = {"title" => "titles", "headings" => "headings", "alt" => "alt texts"}.freeze

        module_function

        # @param fit [Fit] of the page
        # @param rivals [Rivals]
        # @param queries [Array<Hash{String => Object}>] query and impressions, the most shown first
        # @param terms [Terms] of the page, by which words are compared
        # @param said [Array<String>] all that the page says
        # @return [Array<Hash{String => String}>] text and why
        def of(fit, rivals, queries, terms, said)
          (by_queries(queries, terms, said) + by_rivals(fit, rivals)).first(MOST)
        end

        def by_rivals(fit, rivals)
          fit.lacking.map do |one|
            where = one.elements.keys.filter_map { |element| TOLD[element] }
            {
              "text" => one.term,
              "why" =>
                "#{one.used_by} of #{rivals.size} rivals use it" \
                "#{", in their #{where.join(" and ")} too" if where.any?}; this page doesn't"
            }
          end
        end

        def by_queries(queries, terms, said)
          known = said.flat_map { |text| terms.stems(text) }.to_h { |stem| [stem, true] }
          queries.filter_map do |row|
            next if terms.stems(row["query"]).all? { |stem| known.key?(stem) }

            {
              "text" => row["query"],
              "why" => "shown #{row["impressions"]} times for it; not all of its words stand on the page"
            }
          end
        end
        private_class_method :by_rivals, :by_queries
      end
    end
  end
end
