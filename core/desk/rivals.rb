# frozen_string_literal: true

module IronTrellis
  module Core
    module Desk
      # What the pages have that a page is held against: medians and ranges of their sizes, and the terms that at least
      # half of them use.
      class Rivals
        MEASURES = %w[words headings images links bytes first_byte_ms].freeze
        HALF = 0.5
        # What stands there once may stand there by chance.
        LEAST_TIMES = 2
        # A term that rivals share: how many use it in their text, its part of all words there, and for each element
        # (Page::ELEMENTS) the median, the lowest and the highest of how often it stands there with all of them.
        Shared = Struct.new(:key, :term, :size, :used_by, :median, :low, :high, :elements, keyword_init: true)

        # @param pages [Array<Page>]
        # @param language [String, nil] a tag, of the page that they are held against
        def initialize(pages, language: nil)
          @pages = pages
          @language = language
        end

        # @return [Integer]
        def size = @pages.size

        # @return [Hash{String => Hash}] median, low and high of each measure that they have
        def measures
          MEASURES
            .to_h { |name| [name, @pages.filter_map { |page| page.public_send(name) }] }
            .reject { |_, values| values.empty? }
            .transform_values { |values| {"median" => median(values), "low" => values.min, "high" => values.max} }
        end

        # @return [Array<Shared>] that at least half of them use, what most use first
        def shared = @shared ||= @pages.empty? ? [] : gathered

        # @return [Hash{String => Object}] as the command terms prints it
        def as_json(*)
          {
            "pages" => @pages.map { |page|
              {"source" => page.source, "title" => page.title, "words" => page.words, "status" => page.status}
            },
            "measures" => measures,
            "terms" => shared.map { |one| one.to_h.except(:key).transform_keys(&:to_s) }
          }
        end

        private

        def gathered
          gathered = Hash.new { |all, key| all[key] = [] }
          terms.each { |some| some.each { |one| gathered[one.key] << one if one.counts["text"].positive? } }
          gathered
            .values
            .select { |some| some.size >= @pages.size * HALF && some.sum { |one| one.counts["text"] } >= LEAST_TIMES }
            .map { |some| together(some) }
            .sort_by { |one| [-one.used_by, -one.median, -one.size, one.term] }
        end

        def terms = @terms ||= @pages.map { |page| Terms.new(page, language: @language || page.language).call }

        def together(some)
          shares = some.map(&:share)
          Shared.new(
            key: some.first.key,
            term: some.map(&:term).tally.max_by { |form, times| [times, form] }.first,
            size: some.first.size,
            used_by: some.size,
            median: median(shares).round(4),
            low: shares.min,
            high: shares.max,
            elements: Page::ELEMENTS.to_h { |element| [element, range(some, element)] }
          )
        end

        def range(some, element)
          counts = some.map { |one| one.counts[element] } + [0] * (@pages.size - some.size)
          [median(counts), counts.min, counts.max]
        end

        def median(values)
          sorted = values.sort
          (sorted[(sorted.size - 1) / 2] + sorted[sorted.size / 2]) / 2.0
        end
      end
    end
  end
end
