# frozen_string_literal: true

module IronTrellis
  module Core
    module Groups
      # Tells kinds of pages by what their template puts on them: a block of text that many pages share, though not all.
      # Where the addresses of those pages have something in common that no folder shows, that is proposed as a pattern.
      class Templates
        # A block on more of the pages than this belongs to the whole site.
        MOST_SHARE = 0.6
        # A pattern has to take nearly all pages of the template, and hardly any other.
        PRECISION = 0.95
        RECALL = 0.9
        NAME_CHARS = 40
        # What addresses can have in common besides a folder: how each one ends, a folder below the first, what a number
        # in the last part belongs to.
        SHAPES = [
          ->(path) { path[%r{[^/]/([^/.]*[a-z][^/.]*)/?\z}i, 1]&.then { |last| "//#{Regexp.escape(last)}/?$/" } },
          ->(path) { path[%r{[^/]/([^/]*[a-z][^/]*)/[^/]+/?\z}i, 1]&.then { |inner| "*/#{inner}/*" } },
          ->(path) do
            path[%r{/([^/0-9]*)[0-9]+([^/0-9]*)/?\z}]&.then { "//#{Regexp.escape($1)}[0-9]+#{Regexp.escape($2)}/?$/" }
          end,
          ->(path) { path[/\.([a-z]{2,5})\z/i, 1]&.then { |ending| "*.#{ending}" } }
        ].freeze

        # @param pages [Hash{String => Array<String>}] the blocks of text of each URL
        # @param least [Integer] pages that a template must be found on
        # @return [Hash{String => String}] by pattern the name of the template, the most common first
        def self.of(pages, least:) = new(pages, least).call

        # (see .of)
        def initialize(pages, least)
          @pages = pages
          @least = least
          @shapes =
            pages.keys.to_h do |url|
              [url, SHAPES.filter_map { |shape| shape.call(url[%r{\Ahttps?://[^/]+([^?]*)}, 1].to_s) }]
            end
          @sizes = @shapes.values.flatten.tally
        end

        # @return [Hash{String => String}]
        def call
          found =
            sets
              .sort_by { |urls, blocks| [-urls.size, blocks.first] }
              .filter_map { |urls, blocks| pattern(urls)&.then { |pattern| [pattern, name(blocks)] } }
          found.uniq(&:first).to_h
        end

        private

        # By the pages that they stand on, the blocks.
        def sets
          where = Hash.new { |all, block| all[block] = [] }
          @pages.each { |url, blocks| blocks.uniq.each { |block| where[block] << url } }
          shared = where.select { |_, urls| urls.size.between?(@least, @pages.size * MOST_SHARE) }
          shared.keys.group_by { |block| where[block] }
        end

        def pattern(urls)
          shape, mine = urls.flat_map { |url| @shapes[url] }.tally.max_by { |shape, count| [count, shape] }
          shape if shape && mine >= urls.size * RECALL && mine >= @sizes[shape] * PRECISION
        end

        # The longest of its blocks that can be read as a name.
        def name(blocks)
          block =
            blocks.select { |one| one.size <= NAME_CHARS }.max_by { |one| [one.size, one] } ||
            "#{blocks.min_by(&:size)[0, NAME_CHARS - 1]}…"
          "With “#{block}”"
        end
      end
    end
  end
end
