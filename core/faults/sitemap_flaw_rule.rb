# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # A rule that passes on what was found wrong while a sitemap file was read (Sitemaps::Reader): of the sitemap,
      # about the line.
      class SitemapFlawRule < SiteRule
        ABOUT = "Line"
        SAME = "what"

        def self.identity(fault) = fault.detail[:what]

        def check(site)
          site
            .flaws(self.class.code)
            .map { |file, flaw| fault_at(file["url"], about: flaw["line"]&.to_s, what: flaw["about"]) }
        end
      end
    end
  end
end
