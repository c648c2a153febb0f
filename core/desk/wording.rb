# frozen_string_literal: true

module IronTrellis
  module Core
    module Desk
      # How a text of a language is cut into words at the desk: those of UAX #29, once its apostrophes are of one kind,
      # hyphens that are seen only at the end of a line are gone, and an article that lost its vowel is a word of its
      # own.
      module Wording
        FRENCH = %w[l d j m t n s c ç qu jusqu lorsqu puisqu quoiqu].freeze
        ITALIAN =
          %w[l un all dall dell nell sull coll quell quest bell sant gl degl agl dagl negl sugl d c m t s v n].freeze
        CATALAN = %w[l d m t n s].freeze
        ELIDED =
          {"fr" => FRENCH, "it" => ITALIAN, "ca" => CATALAN}
            .transform_values { |words| /(?<![\p{L}\p{M}\p{N}'])(#{words.join("|")})'(?=\p{L})/i }
            .freeze
        ALONE = {"fr" => FRENCH, "it" => ITALIAN, "ca" => CATALAN}
          .transform_values { |words| words.to_h { |word| [word, true] } }.freeze
        APOSTROPHE = "\u2019"
        SOFT_HYPHEN = "\u00AD"

        module_function

        # @param text [String]
        # @param language [String, nil] a tag
        # @return [String] the same, so that its words can be counted
        #   Wording.parted("L’eau de l’île", "fr") # => "L eau de l île"
        def parted(text, language)
          plain = text.unicode_normalize(:nfkc).tr(APOSTROPHE, "'").delete(SOFT_HYPHEN)
          elided = ELIDED[code(language)]
          elided ? plain.gsub(elided, '\1 ') : plain
        end

        # @param text [String]
        # @param language [String, nil] a tag
        # @return [Array<String>] words as they are written
        def words(text, language) = parted(text, language).scan(Content::Words::WORD)

        # @param word [String] in lower case
        # @param language [String, nil]
        # @return [Boolean] whether it is an article without its vowel, which says nothing by itself
        def elided?(word, language) = ALONE.fetch(code(language), {}).key?(word)

        def code(language) = language.to_s[/\A[A-Za-z]{2,3}(?![A-Za-z])/].to_s.downcase
        private_class_method :code
      end
    end
  end
end
