# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A sitemap lists a URL that is to be kept out.
        class SitemapListsUnwanted < PageRule
          CODE = "sitemap-lists-unwanted"
          TITLE = "Sitemap lists a page that should be kept out"
          ABOUT = "Sitemap"
          GRADE = "weakens"
          WHY = "The sitemap helps it in."
          FIX = "Take it out of the sitemap."
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9; CP"

          def self.lets_climb? = true

          def check(page)
            page.in_sitemaps.map { |sitemap| fault(page, about: sitemap) } if page.intent == "keep_out"
          end
        end
      end
    end
  end
end
