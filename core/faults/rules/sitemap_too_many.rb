# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A sitemap with more than 50,000 entries.
        class SitemapTooMany < SitemapFlawRule
          CODE = "sitemap-too-many"
          TITLE = "Sitemap has too many URLs"
          GRADE = "stops"
          WHY = "A file over the limit may be refused as a whole."
          FIX = "Part it into several files and list those in an index."
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9"
        end
      end
    end
  end
end
