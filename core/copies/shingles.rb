# frozen_string_literal: true

require "numo/narray"
require "zlib"

module IronTrellis
  module Core
    module Copies
      # The runs of five words of a text, each as one number, by which texts are compared (Broder 1997, "shingling"). Case and signs don't
      # count. Numbers of 32 bits are enough: in two texts of a thousand words one pair in four thousand would be taken for alike by chance.
      module Shingles
        RUN = 5
        # In bytes: a longer character counts as a letter, but for those of the blocks of punctuation.
        NO_LETTERS = "^a-z0-9\x80-\xFF".b
        # Odd numbers with bits all over: multiplying by them scatters (Knuth, "multiplicative hashing").
        STEP = 0x1e3779b97f4a7c15
        SCATTER = 0x3f58476d1ce4e5b9

        module_function

        # @param text [String]
        # @return [Numo::UInt32] sorted, each once; of a text of fewer words the one run that it is; none of a text without words
        def of(text)
          words = words(text.downcase)
          return Numo::UInt32[] if words.empty?

          once(runs(Numo::UInt64.from_binary(words.map { |word| Zlib.crc32(word) }.pack("Q*"))))
        end

        # @param one [Numo::UInt32] as #of gives it
        # @param other [Numo::UInt32]
        # @return [Float] Jaccard's index: what both have, as a share of what either has
        #   Shingles.likeness(Shingles.of("a b c d e f"), Shingles.of("a b c d e g")) # => 0.3333333333333333
        def likeness(one, other)
          all = one.size + other.size
          return 0.0 if one.empty? || other.empty?

          together = Numo::UInt32.zeros(all)
          together[0...one.size] = one
          together[one.size..] = other
          together = together.sort
          both = together[0...-1].eq(together[1..]).count_true
          both.fdiv(all - both)
        end

        # Cutting at white space takes a third of what a pattern for words does.
        def words(text)
          bytes = text.b
          bytes = bytes.gsub(Content::Words::NO_LETTER, " ") unless text.ascii_only?
          bytes.tr(NO_LETTERS, " ").split(" ")
        end

        def runs(words)
          last = [words.size - RUN, 0].max
          [RUN, words.size].min.times.reduce(Numo::UInt64.zeros(last + 1)) do |sum, place|
            mix(sum + words[place..(last + place)])
          end
        end

        def mix(numbers)
          numbers *= STEP
          numbers ^= (numbers >> 31)
          numbers * SCATTER
        end

        def once(runs)
          sorted = Numo::UInt32.cast(runs >> 32).sort
          return sorted if sorted.size < 2

          first = Numo::Bit.ones(sorted.size)
          first[1..] = sorted[1..].ne(sorted[0...-1])
          sorted[first]
        end
        private_class_method :words, :runs, :mix, :once
      end
    end
  end
end
