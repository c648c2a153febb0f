# frozen_string_literal: true

require "numo/narray"

module IronTrellis
  module Core
    module Copies
      # Finds which texts may be copies of each other without comparing each with each: MinHash (Broder 1997) in bands
      # (Leskovec, Rajaraman and Ullman, "Mining of Massive Datasets", chapter 3). With 9 bands of 5 two texts of
      # similarity 0.85 meet in at least one band with probability 0.995, of 0.5 with 0.25; who meets is compared in
      # full afterwards.
      class Sketches
        BANDS = 9
        ROWS = 5
        SEED = 20_260_101
        # Odd multipliers permute the numbers of 32 bits.
        MULTIPLIERS =
          Numo::UInt32.cast(
            Random.new(SEED).then { |random| Array.new(BANDS * ROWS) { random.rand(1 << 31) * 2 + 1 } }
          ).expand_dims(0)
        SPREAD = 0x1e3779b97f4a7c15

        def initialize
          @keys = Array.new(BANDS) { "".b }
          @size = 0
        end

        # @param shingles [Numo::UInt32] of the next text, not empty
        # @return [void]
        def add(shingles)
          least = Numo::UInt64.cast((shingles.expand_dims(1) * MULTIPLIERS).min(axis: 0)).reshape(BANDS, ROWS)
          key = ROWS.times.reduce(Numo::UInt64.zeros(BANDS)) { |sum, row| (sum + least[true, row]) * SPREAD }
          key.to_binary.unpack("a8" * BANDS).each_with_index { |one, band| @keys[band] << one }
          @size += 1
        end

        # @yieldparam texts [Array<Integer>] numbers of two or more that meet, in order
        # @return [void]
        def each_meeting(&block) = @keys.each { |keys| meetings(keys, &block) }

        private

        def meetings(binary, &block)
          return if @size < 2

          keys = Numo::UInt64.from_binary(binary)
          order = keys.sort_index
          sorted = keys[order]
          same = sorted[0...-1].eq(sorted[1..]).where.to_a
          same.slice_when { |before, after| after != before + 1 }.each do |run|
            block.call(order[run.first..(run.last + 1)].to_a.sort)
          end
        end
      end
    end
  end
end
