# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A sitemap lists a URL that answers 4xx.
        class SitemapListsMissing < PageRule
          CODE = "sitemap-lists-missing"
          TITLE = "Sitemap lists a missing page"
          ABOUT = "Sitemap"
          GRADE = "weakens"
          WHY = "A sitemap should list only what answers 200; missing pages waste crawls."
          FIX = "Take the URL out of the sitemap, or bring the page back."
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9; CP"

          def check(page)
            page.in_sitemaps.map { |sitemap| fault(page, about: sitemap, status: page.status) } if page.missing?
          end
        end
      end
    end
  end
end
