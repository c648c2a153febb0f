# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A sitemap lists a page whose canonical is another one.
        class SitemapListsDiverted < PageRule
          CODE = "sitemap-lists-diverted"
          TITLE = "Sitemap lists a page with another canonical"
          ABOUT = "Sitemap"
          GRADE = "weakens"
          WHY = "The sitemap asks for a page that gives its place away."
          FIX = "List the canonical instead."
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9; CP"

          def check(page)
            if page.canonical_state == "other"
              page.in_sitemaps.map { |sitemap| fault(page, about: sitemap, canonical: page.canonical) }
            end
          end
        end
      end
    end
  end
end
