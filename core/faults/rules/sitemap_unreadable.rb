# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A sitemap that can't be fetched, or holds nothing that can be read.
        class SitemapUnreadable < SiteRule
          CODE = "sitemap-unreadable"
          TITLE = "Sitemap can't be read"
          GRADE = "stops"
          WHY = "Nothing that it lists is found through it."
          FIX = "Let it answer 200 with a whole file, or take its address out of robots.txt and the index."
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9"

          def check(site)
            unanswered = site.sitemaps.select { |file| file["error"] || file["status"] != 200 }
            unanswered.map { |file| fault_at(file["url"], status: file["status"], error: file["error"]) } +
              site.flaws(CODE).map { |file, flaw| fault_at(file["url"], what: flaw["about"]) }
          end
        end
      end
    end
  end
end
