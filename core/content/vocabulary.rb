# frozen_string_literal: true

module IronTrellis
  module Core
    module Content
      # Words as they are compared when it is asked whether a page says them: those of UAX #29, with case and accents
      # folded, without the stop words of the language, in their stems where a stemmer for it is there (Snowball's).
      class Vocabulary
        MARKS = /\p{Mn}+/

        # @param language [String, nil] as the page tells it, such as "en-GB"; nil for none: no stop words, no stems
        # @return [Vocabulary] the same one for the same language
        def self.for(language)
          code = language.to_s[/\A[A-Za-z]{2,3}(?![A-Za-z])/].to_s.downcase
          (@known ||= {})[code] ||= new(code)
        end

        # @param language [String] two or three letters, or ""
        def initialize(language)
          @language = Language.for(language)
          @stop = @language.stop_words.to_h { |word| [fold(word), true] }
        end

        # @param text [String]
        # @return [Hash{String => String}] stems, each with the folded word
        #   Vocabulary.for("en").stems("The Lanterns of Skerry") # => {"lantern" => "lanterns", "skerri" => "skerry"}
        def stems(text) =
          fold(text).scan(Words::WORD).reject { |word| @stop.key?(word) }.to_h { |word| [stem(word), word] }

        # @param phrase [String]
        # @param said [Hash{String => String}] what stems gave of a text
        # @return [Array<String>] folded words of the phrase that the text doesn't say
        def missing(phrase, said) = stems(phrase).except(*said.keys).values

        # A text in stretches, so that the words of a phrase can be marked in it.
        #
        # @param text [String]
        # @param stems [Hash{String => String}] of the phrase
        # @return [Array<Array(String, Boolean)>] stretches in order, and whether each is a word of the phrase
        #   Vocabulary.for("en").marked("Two lanterns.", {"lantern" => "lantern"})
        #     # => [["Two ", false], ["lanterns", true], [".", false]]
        def marked(text, stems)
          parts = []
          ends = 0
          text.scan(Words::WORD) do
            word = Regexp.last_match
            next unless stems.key?(stem(fold(word[0])))

            parts << [text[ends...word.begin(0)], false] << [word[0], true]
            ends = word.end(0)
          end
          (parts << [text[ends..], false]).reject { |words, _| words.empty? }
        end

        # @param text [String]
        # @param stem [String]
        # @return [Integer] how often a word of that stem stands in it
        def count(text, stem) = fold(text).scan(Words::WORD).count { |word| stem(word) == stem }

        private

        def fold(text) = text.unicode_normalize(:nfkd).gsub(MARKS, "").downcase(:fold)

        def stem(word) = @language.stem(word)
      end
    end
  end
end
