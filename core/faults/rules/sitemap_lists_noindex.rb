# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A sitemap lists a URL that carries a noindex.
        class SitemapListsNoindex < PageRule
          CODE = "sitemap-lists-noindex"
          TITLE = "Sitemap lists a noindexed page"
          ABOUT = "Sitemap"
          GRADE = "weakens"
          WHY = "The sitemap asks for what the page forbids; crawls are wasted and the file loses credit."
          FIX = "Take the URL out of the sitemap, or the noindex off the page."
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9; CP"

          def check(page)
            page.in_sitemaps.map { |sitemap| fault(page, about: sitemap, where: page.noindex_where) } if page.noindex
          end
        end
      end
    end
  end
end
