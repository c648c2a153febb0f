# frozen_string_literal: true

require "nokogiri"
require "stringio"

module IronTrellis
  module Core
    module Sitemaps
      # Reads a sitemap file as a stream, without entities and without network: XML (sitemaps.org protocol 0.9), a text
      # file of URLs, RSS 2.0 or Atom.
      class Reader
        # What one file holds. `kind` is "urlset", "index", "text", "rss", "atom" or "unknown"; `entries` have resolved
        # addresses (none where they were handed on one by one), `sitemaps` are those that an index names, `count` is
        # how many entries there are of whichever kind, `bytes` how many were read, unpacked; `flaws` what is wrong, in
        # the order of lines.
        Result = Struct.new(:kind, :entries, :sitemaps, :count, :bytes, :flaws, keyword_init: true)

        # A document type with declarations inside is refused before parsing: entities are how small files grow huge.
        ENTITIES = /<!DOCTYPE[^>]*\[/in
        MARKUP = /\A(?:\xEF\xBB\xBF)?\s*</n
        UTF_16 = /\A(?:\xFE\xFF|\xFF\xFE|<\0|\0<)/n
        WEB = %r{\Ahttps?://}i
        # A file may list 50,000 (sitemaps.org); soon after that it is known to list too many, and the rest is left.
        ENOUGH_ENTRIES = 60_000
        # So many flaws of one file are kept.
        MOST_FLAWS = 1000

        # @param base [Url::Parts] what relative addresses are resolved against
        # @param location [Url::Parts, nil] where the file is published; nil where entries off its host and folder
        #   aren't to be judged
        # @param now [Time]
        def initialize(base, now:, location: base)
          @resolver = Url::Resolver.new(base)
          @location = location
          @now = now
        end

        # @param source [String, IO] gzipped or not
        # @yieldparam entry [Entry] as it stands in the file; without a block the entries are collected
        # @return [Result] what could be read
        def call(source, &block)
          @stream = Stream.new(source.is_a?(String) ? StringIO.new(source) : source)
          @result = Result.new(kind: "unknown", entries: [], sitemaps: [], count: 0, bytes: 0, flaws: [])
          @take = block || method(:collect)
          read(@stream.head)
          @result.bytes = @stream.bytes
          @result
        end

        private

        def read(head)
          return unreadable("sitemap-unreadable", "it can't be unpacked") if @stream.ended == :broken
          return unreadable("sitemap-unreadable", "the file is empty") if head.strip.empty?
          return unreadable("sitemap-malformed", "it is UTF-16, and a sitemap must be UTF-8") if UTF_16.match?(head)
          if ENTITIES.match?(head)
            return unreadable("sitemap-malformed", "it declares entities, which a sitemap may not")
          end

          MARKUP.match?(head) ? xml : text
        end

        def unreadable(code, about) = @result.flaws = [Flaw.new(code: code, line: 1, about: about)]

        def xml
          events = Events.new { |entry| take(events.kind, entry) }
          Nokogiri::XML::SAX::Parser.new(events).parse_io(@stream) do |context|
            context.replace_entities = false
            events.context = context
          end
          finish(events.kind, events.flaws, events.complaint)
        end

        def text
          number = 0
          @stream.each_line do |line|
            number += 1
            url = line.dup.force_encoding(Encoding::UTF_8).scrub.delete_prefix("\uFEFF").strip
            take("text", Entry.new(url: url, line: number, alternates: [], extras: [])) unless url.empty?
          end
          return finish("text", [], nil) if @address

          @result.kind = "unknown"
          unreadable("sitemap-malformed", "it is neither XML nor a list of addresses")
        end

        def take(kind, entry)
          @checks ||= Checks.new(kind, location: @location, now: @now)
          @result.kind = kind
          return @stream.enough if @result.count >= ENOUGH_ENTRIES

          @result.count += 1
          @address ||= WEB.match?(entry.url.to_s)
          add(@checks.entry(entry))
          @take.call(entry)
        end

        def collect(entry)
          return if entry.url.to_s.empty?

          entry.url = @resolver.call(entry.url) or return
          return @result.sitemaps << entry.url if @result.kind == "index"

          entry.alternates = entry.alternates.filter_map do |one|
            url = @resolver.call(one[:url].to_s)
            {code: one[:code], url: url, source: "sitemap"} if url && one[:code]
          end
          @result.entries << entry
        end

        def finish(kind, flaws, complaint)
          @result.kind = kind
          add(flaws)
          # Where reading was cut short the end is missing, which is no fault of the file's form.
          add([complaint]) if complaint && !@stream.ended
          if @stream.ended == :broken
            add([Flaw.new(code: "sitemap-unreadable", about: "it breaks off and can't be unpacked to its end")])
          end
          add(@checks.whole) if @checks
          # What is wrong with the file as a whole is told in any case.
          @result.flaws.concat(Checks.of_size(@result.count, @stream.bytes, more: @stream.ended == :cut))
          @result.flaws.sort_by!.with_index { |flaw, place| [flaw.line || 0, place] }
          @checks = nil
        end

        def add(flaws) = @result.flaws.concat(flaws.first([MOST_FLAWS - @result.flaws.size, 0].max))
      end
    end
  end
end
