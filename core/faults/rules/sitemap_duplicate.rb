# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A URL is listed twice in one sitemap.
        class SitemapDuplicate < SiteRule
          CODE = "sitemap-duplicate"
          TITLE = "URL listed twice"
          ABOUT = "Sitemap"
          GRADE = "weakens"
          WHY = "It says that nobody keeps the file in order, and takes room from other URLs."
          FIX = "List each URL once."
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9; CP"

          def check(site)
            site.flaws(CODE).map { |file, flaw| fault_at(flaw["about"], about: file["url"]) }.uniq
          end
        end
      end
    end
  end
end
