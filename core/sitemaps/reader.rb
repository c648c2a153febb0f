# frozen_string_literal: true

require "nokogiri"

module IronTrellis
  module Core
    module Sitemaps
      # Reads a sitemap file as a stream, without entities and without network: XML (sitemaps.org protocol 0.9), a text file of URLs, RSS 2.0 or Atom.
      class Reader
        # What one file holds. `kind` is "urlset", "index", "text", "rss", "atom" or "unknown"; `entries` have resolved addresses, `sitemaps` are
        # those that an index names, `flaws` what is wrong, in the order of lines.
        Result = Struct.new(:kind, :entries, :sitemaps, :flaws, keyword_init: true)

        # A document type with declarations inside is refused before parsing: entities are how small files grow huge.
        ENTITIES = /<!DOCTYPE[^>]*\[/in
        PROLOGUE = 65_536
        MARKUP = /\A(?:\xEF\xBB\xBF)?\s*</n
        UTF_16 = /\A(?:\xFE\xFF|\xFF\xFE|<\0|\0<)/n
        # So many flaws of one file are kept.
        MOST_FLAWS = 1000

        # @param base [Url::Parts] what relative addresses are resolved against
        # @param location [Url::Parts, nil] where the file is published; nil where entries off its host and folder aren't to be judged
        # @param now [Time]
        def initialize(base, now:, location: base)
          @resolver = Url::Resolver.new(base)
          @location = location
          @now = now
        end

        # @param bytes [String] uncompressed
        # @return [Result] what could be read
        def call(bytes)
          return unreadable("sitemap-unreadable", "the file is empty") if bytes.strip.empty?
          return unreadable("sitemap-malformed", "it is UTF-16, and a sitemap must be UTF-8") if UTF_16.match?(bytes.b)
          return unreadable("sitemap-malformed", "it declares entities, which a sitemap may not") if ENTITIES.match?(bytes.byteslice(0, PROLOGUE))

          MARKUP.match?(bytes.b) ? xml(bytes) : text(bytes)
        end

        private

        def unreadable(code, about) = Result.new(kind: "unknown", entries: [], sitemaps: [], flaws: [Flaw.new(code: code, line: 1, about: about)])

        def xml(bytes)
          events = Events.new
          Nokogiri::XML::SAX::Parser.new(events).parse(bytes) do |context|
            context.replace_entities = false
            events.context = context
          end
          result(events.kind, events.entries, events.flaws, bytes.bytesize)
        end

        def text(bytes)
          lines = bytes.dup.force_encoding(Encoding::UTF_8).scrub.delete_prefix("\uFEFF").lines.map(&:strip)
          entries = lines.each.with_index(1).filter_map { |line, number| Entry.new(url: line, line: number, alternates: [], extras: []) unless line.empty? }
          return unreadable("sitemap-malformed", "it is neither XML nor a list of addresses") unless entries.any? { |entry| entry.url.match?(%r{\Ahttps?://}i) }

          result("text", entries, [], bytes.bytesize)
        end

        def result(kind, entries, flaws, bytes)
          flaws += Checks.new(kind, location: @location, now: @now).call(entries) + Checks.of_size(entries.size, bytes)
          resolved = entries.filter_map { |entry| resolve(entry) }
          Result.new(kind: kind, entries: (kind == "index") ? [] : resolved, sitemaps: (kind == "index") ? resolved.map(&:url) : [],
            flaws: flaws.sort_by { |flaw| flaw.line || 0 }.first(MOST_FLAWS))
        end

        def resolve(entry)
          return nil if entry.url.to_s.empty?

          entry.url = @resolver.call(entry.url) or return nil
          entry.alternates = entry.alternates.filter_map do |one|
            url = @resolver.call(one[:url].to_s)
            {code: one[:code], url: url, source: "sitemap"} if url && one[:code]
          end
          entry
        end
      end
    end
  end
end
