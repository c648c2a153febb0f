# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # No robots.txt of the site names a sitemap.
        class RobotsNoSitemap < SiteRule
          CODE = "robots-no-sitemap"
          TITLE = "robots.txt names no sitemap"
          GRADE = "weakens"
          WHY = "A sitemap that isn't named is read only by those whom it was sent to."
          FIX = "Add a line like “Sitemap: https://www.example.test/sitemap.xml”."
          MENDED = "it names a sitemap"
          KIND = "robots"
          TASK = "Name the sitemap in robots.txt"
          SOURCE = "sitemaps.org, “Submitting your Sitemap”"

          def check(site)
            files = site.robots_files
            return [] if files.empty? || files.any? { |file| Robots::Ruleset.new(file["body"].to_s).sitemaps.any? }

            [fault_at("#{files.first["origin"]}/robots.txt")]
          end
        end
      end
    end
  end
end
