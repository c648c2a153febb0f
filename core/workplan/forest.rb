# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # The best order of one owner's tasks where each comes after at most one, or at most one comes after each: quick
      # for tens of thousands.
      #
      # Source: W. A. Horn, SIAM J. Appl. Math. 23, 1972 (from memory).
      class Forest
        # @param problem [Problem]
        # @param in_order [Array<Integer>] places of one owner's tasks, none before one that it comes after
        # @param before [Hash{Integer => Array<Integer>}] by place, places of those of them before it
        def initialize(problem, in_order, before)
          @problem = problem
          @in_order = in_order
          @before = before
          @behind = in_order.to_h { |place| [place, []] }
          before.each { |place, some| some.each { |one| @behind[one] << place } }
        end

        # @return [Array<Chain>, nil] the most worth an hour first; nil where it is no forest
        def chains
          if @before.each_value.all? { |some| some.size < 2 }
            grown(@in_order.reverse, @behind) { |own, others| Chain.joined(own, others) }
          elsif @behind.each_value.all? { |some| some.size < 2 }
            grown(@in_order, @before) { |own, others| Chain.joined(others, own) }
          end
        end

        private

        def grown(order, near)
          found = {}
          order.each do |place|
            others = Chain.beside(near[place].map { |one| found.delete(one) })
            found[place] = yield([Chain.single(@problem, place)], others)
          end
          Chain.beside(found.values)
        end
      end
    end
  end
end
