# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Orders from which the search begins: as they came, by what the best chain that begins with each is worth an
      # hour, by the best order of each owner alone, and that one moved so that deadlines are met.
      class Orders
        # Of more than so many, which of them can be begun takes too long to look for again and again.
        MOST_TO_WAIT = 2_000

        # @param problem [Problem]
        # @param placing [Placing]
        def initialize(problem, placing = Placing.new(problem))
          @problem = problem
          @placing = placing
        end

        # @return [Array<Array<Integer>>] places of those that aren't locked
        def all
          orders = [as_they_came, by_chains, by_owners, by_deadlines].map { |order| unlocked(order) }
          return orders.uniq unless across?

          waiting = WithoutWaiting.new(@problem, @placing)
          (orders + [chain_worths, tail_worths].map { |worths| waiting.call(worths) }).uniq
        end

        # @return [Array<Integer>] places, those first whose best chain is worth most an hour
        def by_chains =
          @by_chains ||= @problem.sorted((0...@problem.size).sort_by { |place| [-chain_worths[place], place] })

        private

        def across? =
          @problem.size <= MOST_TO_WAIT && @problem.before.each_with_index.any? do |some, place|
            some.any? { |one| @problem.owner_of[one] != @problem.owner_of[place] }
          end

        # What the best chain that begins with each is worth an hour.
        def chain_worths
          @chain_worths ||=
            begin
              best = []
              @problem.in_order.reverse_each do |place|
                own = [@problem.benefits[place], @problem.hours[place]]
                longer = @problem.behind[place].map { |one| own.zip(best[one]).map(&:sum) }
                best[place] = [own, *longer].max_by { |benefit, hours| Problem.an_hour(benefit, hours) }
              end
              best.map { |benefit, hours| Problem.an_hour(benefit, hours) }
            end
        end

        # What each is worth an hour with all that waits for it, each thing that waits shared by what it waits for.
        def tail_worths
          tails = @problem.benefits.dup
          @problem.in_order.reverse_each do |place|
            @problem.before[place].each { |one| tails[one] += tails[place] / @problem.before[place].size }
          end
          tails.zip(@problem.hours).map { |benefit, hours| Problem.an_hour(benefit, hours) }
        end

        def unlocked(order) = order.reject { |place| @problem.locks[place] }

        def as_they_came = @problem.in_order

        # Owners' own orders, side by side by the hours at which each would begin.
        def by_owners
          begins = []
          own_orders.each do |order|
            order.inject(0.0) { |hours, place| (begins[place] = hours) + @problem.hours[place] }
          end
          @problem.sorted((0...@problem.size).sort_by { |place| [begins[place], place] })
        end

        def own_orders = @own_orders ||= @problem.by_owner.map { |places| own_order(places) }

        def own_order(places)
          SeriesParallel.new(@problem, places).order
        rescue SeriesParallel::Tangled
          by_chains.select { |place| @problem.owner_of[place] == @problem.owner_of[places.first] }
        end

        # From the end: last of an owner comes the one that its own order has latest of those that may be done so late.
        #
        # Source: Smith 1956 for one machine with deadlines, where it is exact for equal hours.
        def by_deadlines
          due = due_hours
          return as_they_came if due.none?(&:finite?)

          begins = []
          own_orders.each { |order| from_the_end(order, due, begins) }
          @problem.sorted((0...@problem.size).sort_by { |place| [begins[place], place] })
        end

        # The deadline of each, as those behind it make it sooner.
        def due_hours
          due = @problem.deadlines.map { |one| one || Float::INFINITY }
          @problem.in_order.reverse_each do |place|
            due[place] = [due[place], *behind_of_same_owner(place).map { |one| due[one] - @problem.hours[one] }].min
          end
          due
        end

        def behind_of_same_owner(place) =
          @problem.behind[place].select { |one| @problem.owner_of[one] == @problem.owner_of[place] }

        def from_the_end(order, due, begins)
          left = order.dup
          open = order.to_h { |place| [place, behind_of_same_owner(place).size] }
          hours = order.sum { |place| @problem.hours[place] }
          until left.empty?
            at = left.rindex { |place| open[place].zero? && due[place] >= hours - WorkingTime::EPSILON }
            at ||= left.each_index.select { |one| open[left[one]].zero? }.max_by { |one| due[left[one]] }
            place = left.delete_at(at)
            @problem.before[place].each { |one| open.key?(one) && open[one] -= 1 }
            begins[place] = hours -= @problem.hours[place]
          end
        end
      end
    end
  end
end
