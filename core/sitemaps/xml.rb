# frozen_string_literal: true

module IronTrellis
  module Core
    module Sitemaps
      # Writes sitemaps and indexes (sitemaps.org protocol 0.9; the definitions of the image, video and news extensions;
      # hreflang as xhtml:link).
      module Xml
        ESCAPES = {"&" => "&amp;", "<" => "&lt;", ">" => "&gt;", "'" => "&apos;", '"' => "&quot;"}.freeze
        # Not allowed in XML 1.0, however written.
        FORBIDDEN = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]/
        SPACES = {
          "image" => "http://www.google.com/schemas/sitemap-image/1.1",
          "video" => "http://www.google.com/schemas/sitemap-video/1.1",
          "news" => "http://www.google.com/schemas/sitemap-news/0.9",
          "xhtml" => "http://www.w3.org/1999/xhtml"
        }.freeze
        DECLARATION = %(<?xml version="1.0" encoding="UTF-8"?>\n)
        # The definition of the image extension.
        MOST_IMAGES = 1_000
        PUBLICATION = %w[name language].freeze

        module_function

        # @return [String] what a file begins with
        def head
          spaces = SPACES.map { |name, uri| " xmlns:#{name}=\"#{uri}\"" }
          "#{DECLARATION}<urlset xmlns=\"#{Events::NAMESPACE}\"#{spaces.join}>\n"
        end

        # @return [String] what it ends with
        def tail = "</urlset>\n"

        # @param listing [Listing]
        # @return [String] in the order of the protocol's schema
        def entry(listing)
          text = "<url>#{element("loc", listing.url)}"
          text << element("lastmod", listing.lastmod.utc.strftime("%Y-%m-%dT%H:%M:%SZ")) if listing.lastmod
          text << element("changefreq", listing.changefreq) if listing.changefreq
          text << element("priority", listing.priority) if listing.priority
          extensions(listing) { |part| text << part }
          text << "</url>\n"
        end

        # @param files [Array<Array(String, Time)>] address and newest date (nil where none is known)
        # @return [String] a whole index
        def index(files)
          entries =
            files.map do |url, lastmod|
              date = element("lastmod", lastmod.utc.strftime("%Y-%m-%dT%H:%M:%SZ")) if lastmod
              "<sitemap>#{element("loc", url)}#{date}</sitemap>\n"
            end
          "#{DECLARATION}<sitemapindex xmlns=\"#{Events::NAMESPACE}\">\n#{entries.join}</sitemapindex>\n"
        end

        # @param text [String]
        # @return [String]
        #   Xml.escape("a&b") # => "a&amp;b"
        def escape(text) =
          if text.to_s.match?(/[&<>'"\u0000-\u001F\uFFFE\uFFFF]/)
            text.to_s.gsub(FORBIDDEN, "").gsub(/[&<>'"]/, ESCAPES)
          else
            text.to_s
          end

        def element(name, text) = "<#{name}>#{escape(text)}</#{name}>"

        def extensions(listing)
          listing.alternates&.each do |one|
            yield %(<xhtml:link rel="alternate" hreflang="#{escape(one[:code])}" href="#{escape(one[:url])}"/>)
          end
          listing
            .images
            &.first(MOST_IMAGES)
            &.each { |url| yield "<image:image>#{element("image:loc", url)}</image:image>" }
          if listing.video
            yield "<video:video>#{listing.video.map { |name, text| element("video:#{name}", text) }.join}</video:video>"
          end
          yield news(listing.news) if listing.news
        end

        def news(texts)
          publication, others = [texts.slice(*PUBLICATION), texts.except(*PUBLICATION)].map do |some|
            some.map { |name, text| element("news:#{name}", text) }.join
          end
          "<news:news><news:publication>#{publication}</news:publication>#{others}</news:news>"
        end
        private_class_method :element, :extensions, :news
      end
    end
  end
end
