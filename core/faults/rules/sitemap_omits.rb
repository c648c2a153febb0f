# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that belongs into a sitemap is in none. It is told about the sitemap that should list it: the one of
        # its group, else the site's first.
        class SitemapOmits < PageRule
          CODE = "sitemap-omits"
          TITLE = "Page that should be indexed is in no sitemap"
          ABOUT = "Sitemap that should list it"
          GRADE = "weakens"
          WHY = "The sitemap is where crawlers look for what matters and what changed."
          FIX = "Add it to the sitemap of its kind."
          MENDED = "a sitemap lists it"
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9; CP"
          NEEDS_ALL = true

          # Which file that is may change from crawl to crawl.
          def self.identity(_fault) = nil

          def check(page)
            unless page.has_sitemaps && page.in_sitemaps.empty? &&
                Sitemaps::Belonging.belongs?(page, pdfs: page.lists_pdfs)
              return
            end

            fault(page, about: page.sitemap_of_group)
          end
        end
      end
    end
  end
end
