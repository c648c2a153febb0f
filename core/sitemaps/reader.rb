# frozen_string_literal: true

require "nokogiri"

module IronTrellis
  module Core
    module Sitemaps
      # Reads a sitemap file as a stream, without entities and without network (sitemaps.org protocol 0.9).
      class Reader
        # What one file holds. `kind` is "urlset", "index" or "unknown"; `entries` are Entry, `sitemaps` locations.
        Result = Struct.new(:kind, :entries, :sitemaps, :error, keyword_init: true)
        Entry = Struct.new(:url, :lastmod, :alternates, keyword_init: true)

        # A document type with declarations inside is refused before parsing: entities are how small files grow huge.
        ENTITIES = /<!DOCTYPE[^>]*\[/in
        PROLOGUE = 65_536

        # @param base [Url::Parts] where the file was found
        def initialize(base)
          @resolver = Url::Resolver.new(base)
        end

        # @param xml [String] bytes, uncompressed
        # @return [Result] what could be read; `error` tells where reading ended early, nil if it didn't
        def call(xml)
          return Result.new(kind: "unknown", entries: [], sitemaps: [], error: "it declares entities, which a sitemap may not") if ENTITIES.match?(xml.byteslice(0, PROLOGUE))

          events = Events.new
          Nokogiri::XML::SAX::Parser.new(events).parse(xml) { |context| context.replace_entities = false }
          Result.new(kind: events.kind, entries: events.entries.filter_map { |entry| resolve(entry) },
            sitemaps: events.sitemaps.filter_map { |location| @resolver.call(location) }, error: events.failure)
        end

        private

        def resolve(entry)
          return nil if entry.url.to_s.empty?

          entry.url = @resolver.call(entry.url) or return nil
          entry.alternates = entry.alternates.filter_map do |one|
            url = @resolver.call(one[:url].to_s)
            {code: one[:code], url: url, source: "sitemap"} if url && one[:code]
          end
          entry
        end

        # Collects the elements that matter as they go by.
        class Events < Nokogiri::XML::SAX::Document
          ROOTS = {"urlset" => "urlset", "sitemapindex" => "index"}.freeze
          XHTML = "http://www.w3.org/1999/xhtml"

          attr_reader :kind, :entries, :sitemaps, :failure

          def initialize
            super
            @kind = "unknown"
            @entries = []
            @sitemaps = []
            @path = []
          end

          def start_element_namespace(name, attrs = [], _prefix = nil, uri = nil, _ns = [])
            @kind = ROOTS.fetch(name, "unknown") if @path.empty?
            @path.push(name)
            @entry = Entry.new(alternates: []) if at?("urlset", "url")
            alternate(attrs) if uri == XHTML && name == "link" && @entry
            @text = +"" if %w[loc lastmod].include?(name)
          end

          def characters(text) = @text&.<<(text)

          def cdata_block(text) = characters(text)

          def end_element_namespace(name, _prefix = nil, _uri = nil)
            finish(name)
            @path.pop
          end

          # Called by the parser; only the first complaint matters.
          def error(message) = @failure ||= message.strip

          private

          def finish(name)
            if at?("urlset", "url") then @entries << @entry
            elsif at?("urlset", "url", "loc") then @entry.url = @text.strip
            elsif at?("urlset", "url", "lastmod") then @entry.lastmod = @text.strip
            elsif at?("sitemapindex", "sitemap", "loc") then @sitemaps << @text.strip
            end
            @text = nil if %w[loc lastmod].include?(name)
          end

          def alternate(attrs)
            values = attrs.to_h { |attr| [attr.localname, attr.value] }
            return unless values["rel"].to_s.downcase.split.include?("alternate")

            @entry.alternates << {code: values["hreflang"], url: values["href"]}
          end

          def at?(*path) = @path == path
        end
      end
    end
  end
end
