# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # HTML, header and sitemap name different pages for a language.
        class HreflangSourcesClash < PageRule
          CODE = "hreflang-sources-clash"
          TITLE = "Sources of hreflang disagree"
          ABOUT = "Sources"
          GRADE = "diverts"
          WHY = "Nobody can tell which is meant, so none may count."
          FIX = "Give the set in one place only, or the same set everywhere."
          KIND = "languages"
          SOURCE = "CP"
          DETAILS = {"sets" => ["Languages named", :texts]}.freeze

          def check(page)
            by_source =
              page
                .hreflang
                .group_by { |one| one["source"] }
                .transform_values { |ones| ones.map { |one| [one["code"].downcase, one["url"]] }.uniq.sort }
            return if by_source.each_value.uniq.size < 2

            fault(
              page,
              about: by_source.keys.sort.join(", "),
              sets: by_source.transform_values { |ones| ones.map(&:first) }
            )
          end
        end
      end
    end
  end
end
