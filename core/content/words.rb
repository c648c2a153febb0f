# frozen_string_literal: true

module IronTrellis
  module Core
    module Content
      # Counts Unicode words (UAX #29 section 4.1): runs of letters and digits, joined by an apostrophe, a full
      # stop or a colon between letters and by a point or comma between digits; runs of Katakana and, as ICU has it, of
      # Hangul; each ideograph and each Hiragana letter is a word of its own, parts of ideographs are none.
      #
      # The count is the dearest part of reading a page, so texts in Latin, Greek and Cyrillic (and all
      # punctuation) take a way that makes no string per word: every word is squeezed into one letter.
      module Words
        SINGLE = '[\p{Han}\p{Hiragana}&&[^\u2E80-\u2EFF\u309B\u309C]]'
        KATAKANA = '[\p{Katakana}\u3031-\u3035\u309B\u309C\u30A0\u30FC\uFF70&&[^\uFF9E\uFF9F]]'
        ALPHABETIC = '[\p{L}\p{Nl}\u05F3&&[^\p{Han}\p{Hiragana}\p{Katakana}\p{Hangul}\u3031-\u3035\u30FC\uFF70]]'
        # Marks, joiners and what formats text belong to the character before them (WB4); the space of no width parts
        # words.
        EXTENDED = '(?:\p{M}|(?!\u200B)\p{Cf})*'
        LETTER = "#{ALPHABETIC}#{EXTENDED}"
        DIGIT = "[\\p{Nd}\\u066B]#{EXTENDED}"
        # What joins letters, and what joins digits, of the tables of UAX #29 (WB6, WB7, WB11, WB12).
        BETWEEN_LETTERS = "(?<=\\p{L}|\\p{M}|\\p{Cf})['’‘.:·\u2024\u2027\u05F4\uFF07\uFF0E\uFF1A](?=#{ALPHABETIC})"
        BETWEEN_DIGITS = "(?<=\\p{Nd})['’‘.,;\u060C\u060D\u066C\u2024\u2044\uFF07\uFF0C\uFF0E\uFF1B](?=\\p{Nd})"
        RUN =
          "(?:(?:#{KATAKANA}#{EXTENDED})+|(?:\\p{Hangul}#{EXTENDED})+|(?:#{LETTER}|#{DIGIT})" \
          "(?:#{LETTER}|#{DIGIT}|#{BETWEEN_LETTERS}|#{BETWEEN_DIGITS})*)"
        WORD = /#{SINGLE}#{EXTENDED}|_*#{RUN}(?:_+#{RUN})*_*/
        # In bytes, since lookbehind over UTF-8 characters costs ten times as much: a letter is ASCII or any longer
        # character but those of the blocks of punctuation (lead bytes C2 and E2).
        BEFORE = '(?<=[A-Za-z\x80-\xFF])(?<!\xC2[\x80-\xBF])(?<!\xE2[\x80-\xBF]{2})'
        AFTER = '(?=[A-Za-z\xC3-\xE1\xE3-\xF4])'
        JOINER =
          /#{BEFORE}(?:['.:]|\xE2\x80[\x98\x99\xA4\xA7]|\xC2\xB7)#{AFTER}|
            (?<=\d)(?:['.,;]|\xE2\x80[\x98\x99\xA4]|\xE2\x81\x84)(?=\d)/nx
        # The sign comes first and what is around it is looked at afterwards, so that the text is passed over quickly.
        ASCII_JOINER = /['.:](?=[A-Za-z])(?<=[A-Za-z].)|['.,;](?=\d)(?<=\d.)/
        LONE_UNDERSCORE = /(?<![\p{L}\p{N}_])_+(?![\p{L}\p{N}_])/
        NO_LETTER =
          /\xE2[\x80-\xBF]{2}|\xC2[\x80-\xA9\xAB-\xB4\xB6-\xB9\xBB-\xBF]|\xC3[\x97\xB7]|\xEF\xBB\xBF|\xEF\xBF\xBD/n
        # What is passed over within words (WB4): soft hyphen, joiners, marks of direction, the word joiner, the byte
        # order mark.
        PASSED_OVER = /\xC2\xAD|\xE2\x80[\x8C-\x8F\xAA-\xAE]|\xE2\x81[\xA0-\xA4]|\xEF\xBB\xBF/n
        LETTERS = "A-Za-z0-9_\x80-\xFF".b
        # Outside these ranges stand scripts that need the whole rule.
        OTHER_SCRIPTS = /[^\u0000-\u052F\u2000-\u206F\u20A0-\u20CF\u2190-\u2BFF\uFEFF\uFFFD]/

        module_function

        # @param text [String]
        # @return [Integer] number of words
        def count(text)
          return 0 if text.empty?

          text = text.gsub(LONE_UNDERSCORE, " ") if text.include?("_")
          return text.scan(WORD).size if !text.ascii_only? && OTHER_SCRIPTS.match?(text)

          squeeze(text)
        end

        def squeeze(text)
          return text.gsub(ASCII_JOINER, "a").tr("A-Za-z0-9_", "a").squeeze("a").count("a") if text.ascii_only?

          bytes = text.b
          bytes = bytes.gsub(PASSED_OVER, "") if PASSED_OVER.match?(bytes)
          bytes.gsub(JOINER, "a").gsub(NO_LETTER, " ").tr(LETTERS, "a").squeeze("a").count("a")
        end
        private_class_method :squeeze
      end
    end
  end
end
