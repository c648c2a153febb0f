# frozen_string_literal: true

require "numo/narray"

module IronTrellis
  module Core
    module Copies
      # What is asked of many shingles at once, as arrays of numbers.
      module Arrays
        # Within a part the first bits of a shingle are all the same, so that a mark may stand behind the rest.
        WITHIN_PART = (1 << 60) - 1

        private

        # @return [Numo::Int32] places of the values that stand there more than once
        def in_several(values)
          like = values[0...-1].eq(values[1..])
          several = Numo::Bit.zeros(values.size)
          several[0...-1] = like
          several[1..] = several[1..] | like
          several.where
        end

        # @return [Numo::Int32] each place as often as its size says
        def numbers_of(sizes)
          steps = Numo::Int32.zeros(sizes.sum + 1)
          at = 0
          sizes[0...-1].each { |size| steps[at += size] += 1 }
          steps[0...-1].cumsum
        end

        # @return [Numo::Bit] which of the values are in the set
        def among(values, set)
          return Numo::Bit.zeros(values.size) if set.empty?

          both = join((set & WITHIN_PART) << 1, ((values & WITHIN_PART) << 1) + 1)
          order = both.sort_index
          sorted = both[order]
          runs = Numo::Int32.zeros(both.size)
          runs[1..] = Numo::Int32.cast((sorted[1..] >> 1).ne(sorted[0...-1] >> 1)).cumsum if both.size > 1
          in_set = Numo::Int32.cast(runs[(sorted & 1).eq(0).where]).bincount(minlength: runs[-1] + 1)
          found = Numo::Bit.zeros(both.size)
          found[order] = in_set[runs].gt(0)
          found[set.size..]
        end

        def join(one, other)
          return one if other.empty?

          Numo::UInt64.zeros(one.size + other.size).tap do |all|
            all[0...one.size] = one unless one.empty?
            all[one.size..] = other
          end
        end

        def from_binary(binary) = binary.empty? ? Numo::UInt64[] : Numo::UInt64.from_binary(binary)
      end
    end
  end
end
