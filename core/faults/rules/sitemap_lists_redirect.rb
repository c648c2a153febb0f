# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A sitemap lists a URL that redirects.
        class SitemapListsRedirect < PageRule
          CODE = "sitemap-lists-redirect"
          TITLE = "Sitemap lists a redirect"
          ABOUT = "Sitemap"
          GRADE = "weakens"
          WHY = "The sitemap gives an address that isn't the page's own; crawls are wasted."
          FIX = "List the final address."
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9; CP"

          def check(page)
            if page.redirect_to
              page.in_sitemaps.map { |sitemap| fault(page, about: sitemap, final_url: page.final_url) }
            end
          end
        end
      end
    end
  end
end
