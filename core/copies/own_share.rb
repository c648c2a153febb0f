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
        TOGETHER = 500
        # Of more shingles than these only a sample is kept, by their number: shares stay right but for chance.
        MOST = 50_000_000

        # @param expected [Integer] shingles in all, about
        def initialize(expected)
          @parts = Array.new(PARTS) { "".b }
          @sizes = []
          @waiting = []
          # A shingle is kept where its number is divisible by this.
          @every = [expected.fdiv(MOST).ceil, 1].max
        end

        # @param shingles [Numo::UInt32] of the next text
        # @return [void]
        def add(shingles)
          shingles = shingles[(shingles % @every).eq(0)] if @every > 1
          @sizes << shingles.size
          @waiting << shingles.to_binary
          put_away if @waiting.size == TOGETHER
        end

        # @return [Array<Float, nil>] by number of the text, from 0 to 1; nil where nothing of it was kept
        def shares
          put_away
          alone = Numo::Int32.zeros(@sizes.size)
          @parts.each { |part| alone += seen_once(Numo::UInt64.from_binary(part)) unless part.empty? }
          @sizes.each_with_index.map { |size, number| size.zero? ? nil : alone[number].fdiv(size) }
        end

        private

        # Many texts at once, since each step costs the same for one.
        def put_away
          binary, first = @waiting.join, @sizes.size - @waiting.size
          @waiting.clear
          return if binary.empty?

          shingles = Numo::UInt32.from_binary(binary)
          places = (Numo::UInt64.cast(shingles) << 32) + numbers(first, shingles.size)
          part_of = shingles >> PART_BITS
          PARTS.times { |part| @parts[part] << places[part_of.eq(part)].to_binary }
        end

        # @return [Numo::UInt64] for each shingle the number of its text
        def numbers(first, size)
          steps = Numo::Int64.zeros(size + 1)
          @sizes.drop(first).reduce(0) { |at, count| (at + count).tap { |next_at| steps[next_at] += 1 } }
          Numo::UInt64.cast(steps[0...size].cumsum) + first
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
