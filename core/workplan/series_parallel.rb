# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # The best order of one owner's tasks under what must come before what, where nothing else binds: exact for all
      # precedences that are made of series and parallels, and so for chains and trees. Without any it is Smith's rule.
      #
      # Source: E. L. Lawler, Sequencing jobs to minimize total weighted completion time subject to precedence
      # constraints, Annals of Discrete Mathematics 2, 1978; W. A. Horn, SIAM J. Appl. Math. 23, 1972; W. E. Smith,
      # Naval Research Logistics Quarterly 3, 1956 (from memory).
      class SeriesParallel
        # Tasks that are best done one right behind another: what they are worth, how long they take, their places.
        Chain =
          Struct.new(:benefit, :hours, :places) do
            # @return [Boolean] whether it is worth more an hour
            def better?(other) = benefit * other.hours > other.benefit * hours

            def +(other) = Chain.new(benefit + other.benefit, hours + other.hours, places + other.places)
          end

        # The precedence isn't made of series and parallels.
        class Tangled < StandardError
        end

        # @param problem [Problem]
        # @param places [Array<Integer>] of one owner's tasks
        # @param before [Array<Array<Integer>>] by place, places of those before it
        def initialize(problem, places, before = problem.before)
          @problem = problem
          @places = places
          @bits = places.each_with_index.to_h { |place, bit| [place, bit] }
          @above = above(before)
        end

        # @return [Array<Integer>] places
        # @raise [Tangled]
        def order = chains.flat_map(&:places)

        # @return [Float] the smallest sum of benefit x finish there is
        # @raise [Tangled]
        def objective
          hours = 0.0
          order.sum do |place|
            hours += @problem.hours[place]
            @problem.benefits[place] * hours
          end
        end

        private

        def chains = @chains ||= @places.empty? ? [] : of((1 << @places.size) - 1)

        # By bit, those that come before it at any remove, and those that come behind, as bits.
        def above(before)
          direct = @places.map { |place| before[place].filter_map { |one| @bits[one] } }
          all = Array.new(@places.size)
          visit = ->(bit) { all[bit] ||= direct[bit].inject(0) { |sum, one| sum | 1 << one | visit.call(one) } }
          topological(direct).each { |bit| visit.call(bit) }
          all.each_with_index do |mask, bit|
            each_bit(mask) { |one| (@below ||= Array.new(@places.size, 0))[one] |= 1 << bit }
          end
          @below ||= Array.new(@places.size, 0)
          all
        end

        # So that no visit goes deep.
        def topological(direct)
          rank = @problem.in_order.each_with_index.to_h
          (0...direct.size).sort_by { |bit| rank[@places[bit]] }
        end

        def of(mask)
          return [single(mask)] if (mask & (mask - 1)).zero?

          parts = parts(mask) { |bit| @above[bit] | @below[bit] }
          return sorted(parts.flat_map { |part| of(part) }) if parts.size > 1

          series(mask).map { |part| of(part) }.reduce { |first, second| joined(first, second) }
        end

        def single(mask)
          place = @places[mask.bit_length - 1]
          Chain.new(@problem.benefits[place], @problem.hours[place], [place])
        end

        # Sets of bits that nothing binds to each other.
        def parts(mask)
          found = []
          until mask.zero?
            part = reached(mask & -mask, mask) { |bit| yield(bit) }
            found << part
            mask &= ~part
          end
          found
        end

        def reached(start, mask)
          part = edge = start
          until edge.zero?
            near = 0
            each_bit(edge) { |bit| near |= yield(bit) }
            edge = near & mask & ~part
            part |= edge
          end
          part
        end

        # Sets of bits each of which as a whole comes before the next.
        def series(mask)
          parts = parts(mask) { |bit| ~(@above[bit] | @below[bit] | 1 << bit) }
          raise Tangled if parts.size == 1

          parts.sort_by { |part| (@above[(part & -part).bit_length - 1] & mask).to_s(2).count("1") }
        end

        def sorted(chains) = chains.sort { |one, other|
          if one.better?(other)
            -1
          else
            (other.better?(one) ? 1 : 0)
          end
        }

        # What comes first and isn't worth its time is done only when what it holds up is worth it.
        def joined(first, second)
          first, second = first.dup, second.dup
          return first + second unless second.first.better?(first.last)

          middle = first.pop + second.shift
          loop do
            if first.any? && middle.better?(first.last)
              middle = first.pop + middle
            elsif second.any? && second.first.better?(middle)
              middle += second.shift
            else
              return *first, middle, *second
            end
          end
        end

        def each_bit(mask)
          until mask.zero?
            low = mask & -mask
            yield low.bit_length - 1
            mask ^= low
          end
        end
      end
    end
  end
end
