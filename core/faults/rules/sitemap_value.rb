# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A priority or changefreq that the protocol doesn't know.
        class SitemapValue < SitemapFlawRule
          CODE = "sitemap-value"
          TITLE = "Sitemap value out of range"
          GRADE = "weakens"
          WHY = "Values out of range may cost the whole entry."
          FIX =
            "Use priorities from 0.0 to 1.0 and the seven words for changefreq, or leave both out: they are mostly " \
            "ignored."
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9; CP"
        end
      end
    end
  end
end
