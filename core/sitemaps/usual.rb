# frozen_string_literal: true

module IronTrellis
  module Core
    module Sitemaps
      # Where sitemaps lie by custom (common practice), to be asked for where a robots.txt names none.
      module Usual
        PATHS = %w[/sitemap.xml /sitemap_index.xml /sitemap-index.xml /sitemap.xml.gz /sitemap.txt].freeze

        module_function

        # @param origin [String]
        # @return [Array<String>]
        #   Usual.of("http://a.test").first # => "http://a.test/sitemap.xml"
        def of(origin) = PATHS.map { |path| "#{origin}#{path}" }
      end
    end
  end
end
