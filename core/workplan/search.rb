# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Looks for better layouts beside the best one that is known: single tasks and blocks of them are moved earlier or
      # later, as long as none comes before one that it must come after.
      class Search
        # Up to so many tasks a number of steps is the limit, so that the same tasks give the same plan.
        COUNTED = 60
        STEPS_A_SECOND = 2_000
        LONGEST_BLOCK = 8
        # What is thrown is always the same.
        SEED = 1956

        # @param problem [Problem]
        # @param placing [Placing]
        # @param seconds [Numeric] so long at most
        # @param clock [#call] gives seconds
        def initialize(problem, placing, seconds:, clock:)
          @problem = problem
          @placing = placing
          @seconds = seconds
          @clock = clock
        end

        # @param layouts [Array<Layout>] to begin with
        # @return [Layout] the best found
        def call(layouts)
          best = layouts.min
          return best if best.order.size < 2

          chance = Random.new(SEED)
          going do |step|
            from = (step % 4).zero? ? layouts[step / 4 % layouts.size] : best
            order = moved(from.order, chance) or next
            found = Layout.new(@problem, @placing, order)
            best = found if found < best
            layouts = [best, *layouts.drop(1)] if found.equal?(best)
          end
          best
        end

        private

        def going
          steps = (@seconds * STEPS_A_SECOND).to_i
          until_then = @clock.call + @seconds
          step = 0
          counted = @problem.free.size <= COUNTED
          # Whoever waits looks at the clock, too, and may have enough.
          while (@clock.call < until_then) || counted
            break if counted && step >= steps

            yield step
            step += 1
          end
        end

        # A block from one place of the order to another, nil where what must come before forbids it.
        def moved(order, chance)
          length = [1, 1, 2, chance.rand(1..LONGEST_BLOCK)].sample(random: chance)
          from = chance.rand(0..[order.size - length, 0].max)
          to = near(from, order.size - length, chance)
          return if from == to || !free?(order, from, length, to)

          block = order[from, length]
          rest = order[0...from] + order[(from + length)..]
          rest.insert(to, *block)
        end

        # Mostly not far away.
        def near(from, last, chance)
          far = (chance.rand < 0.2) ? last : [last, 12].min
          (from + chance.rand(-far..far)).clamp(0, [last, 0].max)
        end

        def free?(order, from, length, to)
          block = order[from, length]
          passed = (to < from) ? order[to...from] : order[(from + length)...(to + length)]
          waiting, first = (to < from) ? [block, passed] : [passed, block]
          waiting.none? { |place| @problem.before[place].any? { |one| first.include?(one) } }
        end
      end
    end
  end
end
