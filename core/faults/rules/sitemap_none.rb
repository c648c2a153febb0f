# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # The site has no sitemap that is known of.
        class SitemapNone < SiteRule
          CODE = "sitemap-none"
          TITLE = "Site without sitemap"
          GRADE = "weakens"
          WHY = "Without a sitemap, pages that few links lead to are found late or never."
          FIX = "Publish a sitemap of all pages that are to be indexed, and name it in robots.txt."
          MENDED = "the site has a sitemap that robots.txt names or that lies at its usual address"
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9; CP"

          def check(site)
            (site.reads_sitemaps && site.sitemaps.empty?) ? [fault_at(site.home)] : []
          end
        end
      end
    end
  end
end
