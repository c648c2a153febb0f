# frozen_string_literal: true

module IronTrellis
  module Core
    module Sitemaps
      # What the protocol asks of the entries of one file (sitemaps.org protocol 0.9, "XML tag definitions", "Sitemap file location"; the
      # definitions of the image, video and news extensions).
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
        # Feeds have dates of their own form.
        W3C_DATES = %w[urlset index].freeze

        # @param kind [String] of the file
        # @param location [Url::Parts, nil] where it is published; nil where that isn't known
        # @param now [Time]
        def initialize(kind, location:, now:)
          @kind = kind
          @now = now
          @folder = location && "#{location.origin}#{location.path[%r{\A.*/}]}"
          @location = location&.to_s
        end

        # @param entries [Array<Entry>] as they stand in the file
        # @return [Array<Flaw>]
        def call(entries)
          entries.flat_map { |entry| about(entry) } + twice(entries) + of_dates(entries)
        end

        # @param entries [Integer]
        # @param bytes [Integer] uncompressed
        # @return [Array<Flaw>]
        def self.of_size(entries, bytes)
          [
            (Flaw.new(code: "sitemap-too-many", about: "#{entries} entries") if entries > MOST_ENTRIES),
            (Flaw.new(code: "sitemap-too-big", about: "#{bytes} bytes") if bytes > MOST_BYTES)
          ].compact
        end

        private

        def about(entry)
          [location(entry), date(entry), priority(entry), frequency(entry)].compact + fields(entry)
        end

        def location(entry)
          url = entry.url.to_s
          return flaw("sitemap-malformed", entry, url.empty? ? "an entry without an address" : url) unless url.match?(%r{\Ahttps?://[^/]}i)
          return flaw("sitemap-nested-index", entry, url) if @kind == "index" && url == @location

          flaw("sitemap-off-host", entry, url) if @folder && W3C_DATES.include?(@kind) && off?(url)
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
          flaw("sitemap-value", entry, "priority #{entry.priority}") unless entry.priority.nil? || PRIORITY.match?(entry.priority)
        end

        def frequency(entry)
          flaw("sitemap-value", entry, "changefreq #{entry.changefreq}") unless entry.changefreq.nil? || FREQUENCIES.include?(entry.changefreq)
        end

        def fields(entry)
          entry.extras.flat_map do |kind, texts|
            REQUIRED.fetch(kind).reject { |names| names.any? { |name| !texts[name].to_s.empty? } }.map { |names| flaw("sitemap-field", entry, "#{kind}: #{names.join(" or ")}") }
          end
        end

        def twice(entries)
          seen = {}
          entries.filter_map do |entry|
            next flaw("sitemap-duplicate", entry, entry.url) if seen.key?(entry.url)

            seen[entry.url] = true unless entry.url.to_s.empty?
            nil
          end
        end

        def of_dates(entries)
          dated = entries.filter_map(&:lastmod)
          return [] if dated.empty?

          [
            (Flaw.new(code: "sitemap-date", about: "all #{dated.size} dates are the same") if dated.size >= SAME_DATES && dated.uniq.size == 1),
            (Flaw.new(code: "sitemap-date", about: "#{entries.size - dated.size} of #{entries.size} entries have no date") if dated.size < entries.size / 2.0)
          ].compact
        end

        def flaw(code, entry, about) = Flaw.new(code: code, line: entry.line, about: about)
      end
    end
  end
end
