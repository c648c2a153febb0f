# frozen_string_literal: true

require "cgi"

module SkerrySite
  # Writes the sitemap files of the site.
  module SitemapFile
    SPACE = 'xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"'

    module_function

    # @param urls [Array<String>]
    # @return [String] XML
    def urlset(urls) = wrap("urlset", urls.map { |url| "<url><loc>#{CGI.escapeHTML(url)}</loc></url>" })

    # @param urls [Array<String>] of sitemap files
    # @return [String] XML
    def index(urls) = wrap("sitemapindex", urls.map { |url| "<sitemap><loc>#{CGI.escapeHTML(url)}</loc></sitemap>" })

    def wrap(root, entries) =
      "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<#{root} #{SPACE}>\n#{entries.join("\n")}\n</#{root}>\n"
    private_class_method :wrap
  end
end
