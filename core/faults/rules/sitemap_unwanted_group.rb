# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A whole sitemap of pages that are to be kept out.
        class SitemapUnwantedGroup < SiteRule
          CODE = "sitemap-unwanted-group"
          TITLE = "Sitemap of pages that should be kept out"
          ABOUT = "Groups"
          GRADE = "weakens"
          WHY = "It asks crawlers to read, again and again, what you don't want in the index."
          FIX = "Take the sitemap out of the index and of robots.txt."
          KIND = "sitemaps"
          SOURCE = "CP"

          def check(site)
            whole =
              site.sitemaps.select { |file| file["entries"].to_i.positive? && file["unwanted"] == file["entries"] }
            whole.map { |file| fault_at(file["url"], about: file["groups"].join(", "), entries: file["entries"]) }
          end
        end
      end
    end
  end
end
