# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # Dates in a sitemap that are wrong, lie ahead, are all the same, or are mostly missing.
        class SitemapDate < SitemapFlawRule
          CODE = "sitemap-date"
          TITLE = "Dates in the sitemap can't be true"
          GRADE = "weakens"
          WHY = "Dates that can't be true are not believed, and then none of the site's are."
          FIX = "Give the day of the last real change, in the form 2026-05-31, or leave the date out everywhere."
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9; W3C datetime; CP"
        end
      end
    end
  end
end
