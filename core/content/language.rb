# frozen_string_literal: true

require "lingua/stemmer"
require "stopwords"

module IronTrellis
  module Core
    module Content
      # What is known of a language: the stems of its words (Snowball's, where it has a stemmer for it) and those words
      # that say nothing by themselves.
      class Language
        STEMMERS = {"nb" => "no", "nn" => "no"}.freeze
        MOST_STEMS = 100_000
        CODES = %w[da de en es fi fr hu it nl no pt ru sv].freeze
        MOST_GUESSED = 20_000
        LEAST_GUESSED = 10
        SHARE_GUESSED = 0.15

        # @param tag [String, nil] as a page tells it, such as "en-GB"; nil for none: no stop words, no stems
        # @return [Language] the same one for the same language
        def self.for(tag)
          code = tag.to_s[/\A[A-Za-z]{2,3}(?![A-Za-z])/].to_s.downcase
          (@known ||= {})[code] ||= new(code)
        end

        # By the words that say nothing by themselves, of which every language has its own.
        #
        # @param text [String]
        # @return [String, nil] a code; nil where the text is too short, or of none that is known
        #   Language.guess("the lamps of the harbour are lit by the keeper and his wife at dusk") # => "en"
        def self.guess(text)
          words = text[0, MOST_GUESSED].downcase.scan(Words::WORD)
          return if words.size < LEAST_GUESSED

          found = CODES.to_h { |code| [code, words.count { |word| self.for(code).stop?(word) }] }
          code, times = found.max_by(&:last)
          code if times > words.size * SHARE_GUESSED
        end

        # @return [Array<String>] in lower case
        attr_reader :stop_words

        # @param code [String] two or three letters, or ""
        def initialize(code)
          code = STEMMERS.fetch(code, code)
          @stemmer = stemmer(code)
          @stop_words = stop_words_of(code).freeze
          @stop = @stop_words.to_h { |word| [word, true] }
          @stems = {}
        end

        # @param word [String] in lower case
        # @return [String] the word itself where no stemmer knows the language
        def stem(word)
          return word unless @stemmer

          @stems.clear if @stems.size > MOST_STEMS
          @stems[word] ||= @stemmer.stem(word)
        end

        # @param word [String] in lower case
        # @return [Boolean]
        def stop?(word) = @stop.key?(word)

        private

        def stemmer(code)
          code.empty? ? nil : Lingua::Stemmer.new(language: code)
        rescue Lingua::StemmerError
          nil
        end

        def stop_words_of(code)
          return [] if code.empty?
          return Norwegian::STOP_WORDS if code == "no"

          Stopwords::Snowball::Filter.new(code).stopwords
        rescue ArgumentError
          []
        end
      end
    end
  end
end
