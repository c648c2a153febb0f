# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An index that names an index, or a file that is list and index at once.
        class SitemapNestedIndex < SiteRule
          CODE = "sitemap-nested-index"
          TITLE = "Sitemap index within an index"
          ABOUT = "Index within it"
          GRADE = "stops"
          WHY = "An index may list sitemaps only; what stands deeper isn't read."
          FIX = "List all sitemaps in one index, or name several indexes in robots.txt."
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9"

          def check(site)
            indexes = site.sitemaps.select { |file| file["kind"] == "index" }.to_h { |file| [file["url"], file] }
            inner = indexes.each_value.select { |file| indexes.key?(file["parent"]) }
            inner.map { |file| fault_at(file["parent"], about: file["url"]) } +
              site.flaws(CODE).map { |file, flaw| fault_at(file["url"], about: flaw["about"]) }
          end
        end
      end
    end
  end
end
