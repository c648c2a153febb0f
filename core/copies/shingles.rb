# frozen_string_literal: true

require "numo/narray"

module IronTrellis
  module Core
    module Copies
      # The runs of five words of a text, each as one number, by which texts are compared (Broder 1997, "shingling").
      # Case and signs don't count. Numbers of 32 bits are enough: in two texts of a thousand words one pair in four
      # thousand would be taken for alike by chance.
      module Shingles
        RUN = 5
        # Odd numbers with bits all over: multiplying by them scatters (Knuth, "multiplicative hashing").
        STEP = 0x1e3779b97f4a7c15
        SCATTER = 0x3f58476d1ce4e5b9
        LOWER_HALF = 0xFFFFFFFF

        module_function

        # @param text [String]
        # @return [Numo::UInt32] sorted, each once; of a text of fewer words the one run that it is; none of a text
        #   without words
        def of(text) = of_all([text]).first

        # Many texts at once, since each step on numbers costs nearly the same for a few as for thousands.
        #
        # @param texts [Array<String>]
        # @return [Array<Numo::UInt32>] as #of gives them
        def of_all(texts) = texts.empty? ? [] : portions(texts).flat_map { |some| of_portion(some) }

        # @param one [Numo::UInt32] as #of gives it
        # @param other [Numo::UInt32]
        # @return [Float] Jaccard's index: what both have, as a share of what either has
        #   Shingles.similarity(Shingles.of("a b c d e f"), Shingles.of("a b c d e g")) # => 0.3333333333333333
        def similarity(one, other)
          all = one.size + other.size
          return 0.0 if one.empty? || other.empty?

          together = Numo::UInt32.zeros(all)
          together[0...one.size] = one
          together[one.size..] = other
          together = together.sort
          both = together[0...-1].eq(together[1..]).count_true
          both.fdiv(all - both)
        end

        # Texts together as far as they may be looked at at once.
        def portions(texts)
          portions = [[]]
          taken = 0
          texts.each do |text|
            taken += size = [text.bytesize + 1, WordNumbers::MOST_BYTES].min
            if taken > WordNumbers::MOST_BYTES
              portions << []
              taken = size
            end
            portions.last << text
          end
          portions
        end

        def of_portion(texts)
          words, counts = WordNumbers.of(texts)
          from = 0
          ranges = counts.map { |count| from...(from += count) }
          long, short = ranges.each_index.partition { |place| counts[place] >= RUN }
          found =
            short.to_h { |place| [place, counts[place].zero? ? Numo::UInt32[] : once(runs(words[ranges[place]]))] }
          found.merge!(long.zip(of_long(words, ranges.values_at(*long))).to_h) if long.any?
          found.values_at(*ranges.each_index)
        end

        # Each run as a polynomial of its words, scattered at the end.
        def runs(words)
          last = [words.size - RUN, 0].max
          sum =
            (1...[RUN, words.size].min).reduce(words[0..last]) do |before, place|
              before * STEP + words[place..(last + place)]
            end
          sum ^= (sum >> 31)
          sum * SCATTER
        end

        # Runs over all texts as if they were one, without those that reach from one into the next; sorted by text and
        # shingle.
        def of_long(words, ranges)
          all = runs(words)
          texts_of, within = Numo::UInt64.zeros(all.size), Numo::Bit.zeros(all.size)
          ranges.each_with_index do |range, place|
            beginnings = range.begin..(range.end - RUN)
            texts_of[beginnings] = place
            within[beginnings] = 1
          end
          packed = first_of_each(((texts_of << 32) + (all >> 32))[within].sort)
          lower = Numo::UInt32.cast(packed & LOWER_HALF)
          from = 0
          Numo::Int32
            .cast(packed >> 32)
            .bincount(minlength: ranges.size)
            .to_a
            .map { |count| lower[from...(from += count)].dup }
        end

        def once(runs) = first_of_each(Numo::UInt32.cast(runs >> 32).sort)

        def first_of_each(sorted)
          return sorted if sorted.size < 2

          first = Numo::Bit.ones(sorted.size)
          first[1..] = sorted[1..].ne(sorted[0...-1])
          sorted[first]
        end
        private_class_method :portions, :of_portion, :runs, :of_long, :once, :first_of_each
      end
    end
  end
end
