# frozen_string_literal: true

module IronTrellis
  module Core
    module Sitemaps
      # What the protocol asks of the entries of one file (sitemaps.org protocol 0.9, "XML tag definitions", "Sitemap
      # file location"; the definitions of the image, video and news extensions).
      class Checks
        MOST_ENTRIES = 50_000
        MOST_BYTES = 52_428_800
        FREQUENCIES = %w[always hourly daily weekly monthly yearly never].freeze
        PRIORITY = /\A(?:0(?:\.\d+)?|1(?:\.0+)?|\.\d+)\z/
        # Each is one element, or several of which one is enough.
        REQUIRED = {
          "image" => [%w[loc]], "video" => [%w[thumbnail_loc], %w[title], %w[description], %w[content_loc player_loc]],
          "news" => [%w[name], %w[language], %w[publication_date], %w[title]]
        }.freeze
        # From so many dated entries on, one date for all of them isn't taken for true.
        SAME_DATES = 50
        MOST_SEEN = 10 * MOST_ENTRIES
        # Feeds have dates of their own form.
        W3C_DATES = %w[urlset index].freeze
        # Feeds may speak of other sites.
        OF_ONE_HOST = %w[urlset index text].freeze

        # @param kind [String] of the file
        # @param location [Url::Parts, nil] where it is published; nil where that isn't known
        # @param now [Time]
        def initialize(kind, location:, now:)
          @kind = kind
          @now = now
          @folder = location && "#{location.origin}#{location.path[%r{\A.*/}]}"
          @location = location&.to_s
          @seen = {}
          @entries = 0
          @dates = Hash.new(0)
        end

        # @param entry [Entry] the next, as it stands in the file
        # @return [Array<Flaw>]
        def entry(entry)
          note(entry)
          [location(entry), twice(entry), date(entry), priority(entry), frequency(entry)].compact + fields(entry)
        end

        # @return [Array<Flaw>] of all entries together
        def whole
          dated = @dates.values.sum
          return [] if dated.zero?

          [
            (
              if dated >= SAME_DATES && @dates.size == 1
                Flaw.new(code: "sitemap-date", about: "all #{dated} dates are the same")
              end
            ),
            (
              if dated < @entries / 2.0
                Flaw.new(code: "sitemap-date", about: "#{@entries - dated} of #{@entries} entries have no date")
              end
            )
          ].compact
        end

        # @param entries [Integer]
        # @param bytes [Integer] uncompressed
        # @param more [Boolean] whether there is more than was read
        # @return [Array<Flaw>]
        def self.of_size(entries, bytes, more: false)
          least = more ? "more than " : ""
          [
            (Flaw.new(code: "sitemap-too-many", about: "#{least}#{entries} entries") if entries > MOST_ENTRIES),
            (Flaw.new(code: "sitemap-too-big", about: "#{least}#{bytes} bytes") if bytes > MOST_BYTES)
          ].compact
        end

        private

        def note(entry)
          @entries += 1
          return if entry.lastmod.nil?

          # Whether all are the same is known from two on.
          @dates[(@dates.size < 2 || @dates.key?(entry.lastmod)) ? entry.lastmod : :others] += 1
        end

        def location(entry)
          url = entry.url.to_s
          unless url.match?(%r{\Ahttps?://[^/]}i)
            return flaw("sitemap-malformed", entry, url.empty? ? "an entry without an address" : url)
          end
          return flaw("sitemap-nested-index", entry, url) if @kind == "index" && url == @location

          flaw("sitemap-off-host", entry, url) if @folder && OF_ONE_HOST.include?(@kind) && off?(url)
        end

        def off?(url)
          parts = Url::NormalForm.parse?(url)
          parts && !parts.to_s.start_with?(@folder)
        end

        def date(entry)
          return if entry.lastmod.nil? || !W3C_DATES.include?(@kind)

          time = Date.read(entry.lastmod)
          flaw("sitemap-date", entry, entry.lastmod) if time.nil? || time > @now
        end

        def priority(entry)
          unless entry.priority.nil? || PRIORITY.match?(entry.priority)
            flaw("sitemap-value", entry, "priority #{entry.priority}")
          end
        end

        def frequency(entry)
          unless entry.changefreq.nil? || FREQUENCIES.include?(entry.changefreq)
            flaw("sitemap-value", entry, "changefreq #{entry.changefreq}")
          end
        end

        def fields(entry)
          entry.extras.flat_map do |kind, texts|
            REQUIRED
              .fetch(kind)
              .reject { |names| names.any? { |name| !texts[name].to_s.empty? } }
              .map { |names| flaw("sitemap-field", entry, "#{kind}: #{names.join(" or ")}") }
          end
        end

        # Told of each further entry. Sets of addresses are kept by their hashes, and of files that are far too long
        # only the beginning is looked at.
        def twice(entry)
          return if entry.url.to_s.empty?
          return flaw("sitemap-duplicate", entry, entry.url) if @seen.key?(entry.url.hash)

          @seen[entry.url.hash] = true if @seen.size < MOST_SEEN
          nil
        end

        def flaw(code, entry, about) = Flaw.new(code: code, line: entry.line, about: about)
      end
    end
  end
end
