# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A wanted page that may be indexed is in no sitemap.
        class SitemapOmits < PageRule
          CODE = "sitemap-omits"
          GRADE = "weakens"
          WHY = "The sitemap is where crawlers look for what matters and what changed."
          FIX = "Add it to the sitemap of its kind."
          SOURCE = "sitemaps.org protocol 0.9; CP"
          NEEDS_ALL = true

          def check(page)
            fault(page) if page.wanted && page.page? && page.stop.nil? && page.in_sitemaps.empty? && page.has_sitemaps
          end
        end
      end
    end
  end
end
