# frozen_string_literal: true

require "numo/narray"

module IronTrellis
  module Core
    module Copies
      # How much of each text is found in no other: the share of its shingles that are seen once.
      class OwnShare
        # Shingles are kept in so many parts by their number, so that sorting takes little room beside them.
        PARTS = 16
        PART_BITS = 28
        LOWER_HALF = 0xFFFFFFFF
        # Of more shingles than these only a sample is kept, by their number: shares stay right but for chance.
        MOST = 50_000_000

        # @param expected [Integer] shingles in all, about
        def initialize(expected)
          @parts = Array.new(PARTS) { "".b }
          @sizes = []
          # A shingle is kept where its number is divisible by this.
          @every = [expected.fdiv(MOST).ceil, 1].max
        end

        # @param shingles [Numo::UInt32] of the next text
        # @return [void]
        def add(shingles)
          shingles = shingles[(shingles % @every).eq(0)] if @every > 1
          @sizes << shingles.size
          return if shingles.empty?

          places = (Numo::UInt64.cast(shingles) << 32) + (@sizes.size - 1)
          cut(shingles).each_with_index { |range, part| @parts[part] << places[range].to_binary if range }
        end

        # @return [Array<Float, nil>] by number of the text, from 0 to 1; nil where nothing of it was kept
        def shares
          alone = Numo::Int32.zeros(@sizes.size)
          @parts.each { |part| alone += seen_once(Numo::UInt64.from_binary(part)) unless part.empty? }
          @sizes.each_with_index.map { |size, number| size.zero? ? nil : alone[number].fdiv(size) }
        end

        private

        # Sorted as they are, each part is one range.
        #
        # @return [Array<Range, nil>]
        def cut(shingles)
          from = 0
          Numo::Int32.cast(shingles >> PART_BITS).bincount(minlength: PARTS).to_a.map do |count|
            range = (from...(from += count)) if count.positive?
            range
          end
        end

        def seen_once(packed)
          sorted = packed.sort
          shingles = sorted >> 32
          alone = Numo::Bit.ones(sorted.size)
          if sorted.size > 1
            same = shingles[0...-1].eq(shingles[1..])
            alone[0...-1] = ~same
            alone[1..] = alone[1..] & ~same
          end
          count(sorted[alone] & LOWER_HALF)
        end

        def count(texts) = texts.empty? ? 0 : Numo::Int32.cast(texts).bincount(minlength: @sizes.size)
      end
    end
  end
end
