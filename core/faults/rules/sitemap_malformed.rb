# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A sitemap that isn't written as the protocol asks.
        class SitemapMalformed < SitemapFlawRule
          CODE = "sitemap-malformed"
          TITLE = "Sitemap isn't well-formed"
          GRADE = "stops"
          WHY = "From the first error on, nothing in the file may be read."
          FIX = "Write it as UTF-8 XML with the protocol's namespace and absolute, escaped addresses."
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9; XML 1.0"
        end
      end
    end
  end
end
