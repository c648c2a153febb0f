# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A sitemap of more than 50 MB (52,428,800 bytes) uncompressed.
        class SitemapTooBig < SitemapFlawRule
          CODE = "sitemap-too-big"
          TITLE = "Sitemap file too large"
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
