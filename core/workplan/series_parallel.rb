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
        # Of more than these the sets take too long; only forests are ordered then.
        MOST = 1_500

        # The precedence isn't made of series and parallels.
        class Tangled < StandardError
        end

        # @param problem [Problem]
        # @param places [Array<Integer>] of one owner's tasks
        # @param before [Array<Array<Integer>>] by place, places of those before it
        def initialize(problem, places, before = problem.before)
          @problem = problem
          own = places.to_h { |place| [place, true] }
          @places = problem.in_order.select { |place| own.key?(place) }
          @before = @places.to_h { |place| [place, before[place].select { |one| own.key?(one) }] }
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

        def chains = @chains ||= Forest.new(@problem, @places, @before).chains || of_sets

        def of_sets
          raise Tangled if @places.size > MOST

          @bits = @places.each_with_index.to_h { |place, bit| [place, bit] }
          @above, @below = removes
          of((1 << @places.size) - 1)
        end

        # By bit, those that come before it at any remove, and those that come behind, as bits.
        def removes
          direct = @places.map { |place| @before[place].map { |one| @bits.fetch(one) } }
          above = Array.new(@places.size, 0)
          direct.each_with_index { |some, bit| some.each { |one| above[bit] |= 1 << one | above[one] } }
          below = Array.new(@places.size, 0)
          direct.each_with_index.reverse_each { |some, bit| some.each { |one| below[one] |= 1 << bit | below[bit] } }
          [above, below]
        end

        def of(mask)
          return [Chain.single(@problem, @places[mask.bit_length - 1])] if (mask & (mask - 1)).zero?

          parts = parts(mask) { |bit| @above[bit] | @below[bit] }
          return Chain.beside(parts.map { |part| of(part) }) if parts.size > 1

          series(mask).map { |part| of(part) }.reduce { |first, second| Chain.joined(first, second) }
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
