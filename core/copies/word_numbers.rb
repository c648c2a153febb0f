# frozen_string_literal: true

require "numo/narray"

module IronTrellis
  module Core
    module Copies
      # The words of texts as numbers of 64 bits, the same for the same word. No string is made for a word: a word's
      # number is the part of a running polynomial of all bytes between its ends (Rabin and Karp), worked out for all
      # words at once.
      module WordNumbers
        # In bytes: a longer character counts as a letter, but for those of the blocks of punctuation.
        NO_LETTERS = "^a-z0-9\x80-\xFF".b
        BLANK = " ".ord
        # Odd, so that it can be divided by modulo 2**64.
        BASE = 0x1e3779b97f4a7c15
        INVERSE = BASE.pow((1 << 62) - 1, 1 << 64)
        SCATTER = 0x3f58476d1ce4e5b9
        # So many bytes are looked at at once, and of one text no more count.
        MOST_BYTES = 1 << 20

        module_function

        # @param texts [Array<String>] together of at most MOST_BYTES, with a byte for each
        # @return [Array(Numo::UInt64, Array<Integer>)] the numbers of all words, and how many each text has
        def of(texts)
          texts = texts.map { |text| "#{plain(text)} " }
          bytes = Numo::UInt8.from_binary(texts.join)
          letters = bytes.ne(BLANK)
          starts, ends = edges(letters)
          return [Numo::UInt64[], texts.map { 0 }] if starts.empty?

          running = Numo::UInt64.zeros(bytes.size + 1)
          running[1..] = (Numo::UInt64.cast(bytes) * powers[0...bytes.size]).cumsum
          [scattered((running[ends] - running[starts]) * inverses[starts]), counts(texts, starts, bytes.size)]
        end

        # Made when they are first needed: they take 16 MB, which most processes have no use for.
        def powers = @powers ||= powers_of(BASE)

        def inverses = @inverses ||= powers_of(INVERSE)

        def powers_of(factor) = Numo::UInt64.new(MOST_BYTES + 1).fill(factor).tap { |powers| powers[0] = 1 }.cumprod

        def plain(text)
          bytes = text.downcase.byteslice(0, MOST_BYTES - 1).b
          unless text.ascii_only?
            bytes =
              bytes.gsub(Content::Words::PASSED_OVER, "").gsub(Content::Words::NO_LETTER, " ")
          end
          bytes.tr(NO_LETTERS, " ")
        end

        # Where words begin, and the places after their ends.
        def edges(letters)
          before = Numo::Bit.zeros(letters.size)
          before[1..] = letters[0...-1] if letters.size > 1
          [(letters & ~before).where, (~letters & before).where]
        end

        def counts(texts, starts, size)
          begun = Numo::Int32.zeros(size + 1)
          begun[starts + 1] = 1
          begun = begun.cumsum
          from = 0
          texts.map { |text| begun[from + text.bytesize] - begun[from].tap { from += text.bytesize } }
        end

        def scattered(numbers)
          numbers ^= (numbers >> 29)
          numbers * SCATTER
        end
        private_class_method :powers, :inverses, :powers_of, :plain, :edges, :counts, :scattered
      end
    end
  end
end
