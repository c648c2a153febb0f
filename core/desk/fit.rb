# frozen_string_literal: true

module IronTrellis
  module Core
    module Desk
      # How far a page fits its phrases and its rivals: the share of checks that it meets, by their weights. It is never
      # told without its checks.
      class Fit
        # What each kind of check weighs: where words stand, more the sooner a reader meets them (common practice).
        WEIGHTS = {
          "title" => 3,
          "h1" => 2,
          "text" => 2,
          "description" => 1,
          "address" => 1,
          "length" => 1,
          "measure" => 1,
          "term" => 1
        }.freeze
        PHRASE_IN = %w[title h1 text description address].freeze
        # Lengths in characters (common practice).
        LENGTHS = {"title" => [30, 60], "description" => [70, 155]}.freeze
        MOST_TERMS = 20
        # So far beyond what rivals have is still in range: few rivals don't make a rule.
        ROOM = 0.2
        # How long the first byte takes says nothing of the words.
        COMPARED = Rivals::MEASURES - %w[first_byte_ms bytes]

        # @param page [Page]
        # @param phrases [Array<String>]
        # @param rivals [Rivals]
        # @param lengths [Hash{String => Array(Integer, Integer)}]
        def initialize(page, phrases: [], rivals: Rivals.new([]), lengths: LENGTHS)
          @page, @rivals, @lengths = page, rivals, lengths
          @phrases = phrases.uniq { |phrase| Wording.words(phrase, page.language).map { |word| word.downcase(:fold) } }
          @terms = Terms.new(page)
        end

        # @return [Array<Terms::Term>]
        def terms = @all ||= @terms.call

        # @return [Array<Check>]
        def checks = @checks ||= of_phrases + of_lengths + of_measures + of_terms

        # @return [Integer, nil] 0 to 100; nil where the page is held against nothing
        def call
          return if @phrases.empty? && @rivals.size.zero?

          whole = checks.sum(&:weight)
          whole.zero? ? nil : (checks.select(&:met).sum(&:weight) * 100.0 / whole).round
        end

        # @return [Array<Hash>] what at least half of the rivals use in their text and this page doesn't
        def lacking
          own = terms.to_h { |one| [one.key, one] }
          @rivals.shared.reject { |one| own[one.key]&.counts&.[]("text")&.positive? }
        end

        private

        def of_phrases
          @phrases.flat_map do |phrase|
            places_for_phrases.map do |element|
              Check.new(
                name: "“#{phrase}” in #{PLACES.fetch(element)}",
                about: phrase,
                found: @page.of(element).sum { |text| @terms.times(phrase, text) },
                low: 1,
                weight: WEIGHTS.fetch(element)
              )
            end
          end
        end

        # A file has no address.
        def places_for_phrases = @page.texts.key?("address") ? PHRASE_IN : PHRASE_IN - %w[address]

        PLACES = {
          "title" => "the title",
          "h1" => "the H1",
          "text" => "the text",
          "description" => "the meta description",
          "address" => "the address"
        }.freeze

        def of_lengths
          @lengths.map do |element, (low, high)|
            Check.new(
              name: "characters of #{PLACES.fetch(element)}",
              about: element,
              found: @page.of(element).first.to_s.length,
              low: low,
              high: high,
              weight: WEIGHTS.fetch("length")
            )
          end
        end

        def of_measures
          @rivals.measures.slice(*COMPARED).map do |name, range|
            Check.new(
              name: name,
              about: name,
              found: @page.public_send(name),
              low: (range["low"] * (1 - ROOM)).floor,
              high: (range["high"] * (1 + ROOM)).ceil,
              weight: WEIGHTS.fetch("measure")
            )
          end
        end

        # The share of a term in the text, against that of the rivals who use it.
        def of_terms
          own = terms.to_h { |one| [one.key, one] }
          @rivals.shared.first(MOST_TERMS).map do |shared|
            Check.new(
              name: "“#{shared.term}” in the text",
              about: shared.term,
              found: own[shared.key] ? own[shared.key].share : 0.0,
              low: (shared.low * (1 - ROOM)).round(4),
              high: (shared.high * (1 + ROOM)).round(4),
              weight: WEIGHTS.fetch("term")
            )
          end
        end
      end
    end
  end
end
