# frozen_string_literal: true

require "nokogiri"

module IronTrellis
  module Core
    module Sitemaps
      # Collects what matters of a sitemap, an index or a feed as its elements go by (sitemaps.org protocol 0.9; RSS
      # 2.0; Atom, RFC 4287).
      class Events < Nokogiri::XML::SAX::Document
        NAMESPACE = "http://www.sitemaps.org/schemas/sitemap/0.9"
        XHTML = "http://www.w3.org/1999/xhtml"
        ATOM = "http://www.w3.org/2005/Atom"
        EXTENSIONS = {
          "http://www.google.com/schemas/sitemap-image/1.1" => "image",
          "http://www.google.com/schemas/sitemap-video/1.1" => "video",
          "http://www.google.com/schemas/sitemap-news/0.9" => "news"
        }.freeze
        ROOTS = {"urlset" => "urlset", "sitemapindex" => "index", "rss" => "rss", "feed" => "atom"}.freeze
        # The elements that hold an entry, and those of them that hold its texts, by kind.
        HOLDERS = {"urlset" => "url", "index" => "sitemap", "rss" => "item", "atom" => "entry"}.freeze
        TEXTS = {"loc" => :url, "lastmod" => :lastmod, "priority" => :priority, "changefreq" => :changefreq}.freeze
        FEED_TEXTS = {"link" => :url, "pubDate" => :lastmod, "updated" => :lastmod}.freeze

        # What one entry may hold in texts; the rest is left out.
        MOST_TEXT = 10_000

        # `complaint` is the first thing that the parser found no form in, nil where there is none.
        attr_reader :kind, :flaws, :complaint
        attr_writer :context

        # @yieldparam entry [Entry] when it ends
        def initialize(&take)
          super()
          @kind = "unknown"
          @take = take
          @flaws = []
          @path = []
        end

        def start_element_namespace(name, attrs = [], _prefix = nil, uri = nil, _ns = [])
          root(name, uri) if @path.empty?
          @path.push(name)
          mixed(name, uri)
          @entry = Entry.new(line: line, alternates: [], extras: []) if @path.size > 1 && name == HOLDERS[@kind]
          inside(name, attrs, uri) if @entry
        end

        def characters(text)
          @text << text if @text && @text.size < MOST_TEXT
        end

        def cdata_block(text) = characters(text)

        def end_element_namespace(name, _prefix = nil, uri = nil)
          finish(name, uri) if @entry
          @text = nil
          @path.pop
        end

        # Called by the parser.
        def error(message)
          @complaint ||= Flaw.new(code: "sitemap-malformed", line: line, about: message.strip)
        end

        private

        def line = @context&.line

        def flaw(code, about = nil) = @flaws << Flaw.new(code: code, line: line, about: about)

        def root(name, uri)
          @kind = ROOTS.fetch(name, "unknown")
          if @kind == "unknown"
            return flaw("sitemap-malformed", "the root element is <#{name}>, which is none of a sitemap's")
          end

          expected = {"urlset" => NAMESPACE, "index" => NAMESPACE, "atom" => ATOM}[@kind]
          if expected && uri != expected
            flaw("sitemap-malformed", "the namespace of <#{name}> is #{uri ? "“#{uri}”" : "missing"}")
          end
        end

        # A list of pages and an index in one file, or an index in an index.
        def mixed(name, uri)
          return unless @path.size > 1 && %w[urlset index].include?(@kind) && [NAMESPACE, nil].include?(uri)

          other = (@kind == "urlset") ? %w[sitemapindex sitemap] : %w[urlset url sitemapindex]
          flaw("sitemap-nested-index", "<#{name}>") if other.include?(name)
        end

        def inside(name, attrs, uri)
          @text = nil
          extension = EXTENSIONS[uri]
          if extension && name == extension then @entry.extras << [extension, {}]
          elsif uri == XHTML && name == "link" then alternate(attrs)
          elsif @kind == "atom" && name == "link" then atom_link(attrs)
          else @text = +""
          end
        end

        def finish(name, uri)
          if name == HOLDERS[@kind]
            @take.call(@entry)
            @entry = nil
          elsif (extension = EXTENSIONS[uri])
            @entry.extras.last[1][name] ||= @text.to_s.strip if name != extension && @entry.extras.any?
          elsif @text && (field = texts[name]) && @path[-2] == HOLDERS[@kind]
            @entry[field] ||= @text.strip
          end
        end

        def texts = %w[rss atom].include?(@kind) ? FEED_TEXTS : TEXTS

        def atom_link(attrs)
          values = attrs.to_h { |attr| [attr.localname, attr.value] }
          @entry.url ||= values["href"].to_s.strip if values.fetch("rel", "alternate") == "alternate"
        end

        def alternate(attrs)
          values = attrs.to_h { |attr| [attr.localname, attr.value] }
          return unless values["rel"].to_s.downcase.split.include?("alternate")

          @entry.alternates << {code: values["hreflang"], url: values["href"]}
        end
      end
    end
  end
end
