# frozen_string_literal: true

module IronTrellis
  module Ports
    module Languages
      module Lines
        # As a sitemap of these pages.
        module Sitemap
          NAME = "sitemap"
          PLACE = 3
          ENDING = "xml"
          TYPE = "application/xml"

          # @param pages [Array<Core::Languages::Carried>]
          # @return [String]
          def self.write(pages) =
            Core::Sitemaps::Xml.head + pages.map { |page| page.set.sitemap_entry(page.url) }.join +
              Core::Sitemaps::Xml.tail
        end
      end
    end
  end
end
