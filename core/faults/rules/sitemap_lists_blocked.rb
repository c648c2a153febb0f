# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A sitemap lists a URL that robots.txt blocks.
        class SitemapListsBlocked < PageRule
          CODE = "sitemap-lists-blocked"
          TITLE = "Sitemap lists a page blocked by robots.txt"
          ABOUT = "Sitemap"
          GRADE = "weakens"
          WHY = "The sitemap asks for what robots.txt forbids."
          FIX = "Unblock the URL, or take it out of the sitemap."
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9; CP"

          def check(page)
            if page.robots_allowed == false
              page.in_sitemaps.map { |sitemap| fault(page, about: sitemap, line: page.robots_line) }
            end
          end
        end
      end
    end
  end
end
