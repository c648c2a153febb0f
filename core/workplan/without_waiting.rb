# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Orders in which no owner waits for a task while another one could be begun: of those that can be begun soonest
      # the one that is worth most comes next.
      class WithoutWaiting
        # So often what comes late is given precedence, with all before it.
        TRIES = 25
        # More than anything is worth an hour.
        URGENT = 1e12

        # @param problem [Problem]
        # @param placing [Placing]
        def initialize(problem, placing)
          @problem = problem
          @placing = placing
        end

        # @param worth [Array<Float>] of each task
        # @return [Array<Integer>] places of those that aren't locked; of the tries the one with the best layout
        def call(worth)
          worth = worth.dup
          tries = []
          TRIES.times do
            tries << Layout.new(@problem, @placing, once(worth))
            late = tries.last.late.reject { |place| worth[place] >= URGENT }
            break if late.empty?

            late.each { |place| hurry(place, worth) }
          end
          tries.min.order
        end

        private

        # The sooner its deadline the more urgent it is, and all that comes before it too.
        def hurry(place, worth)
          urgent = URGENT * (1 + 1 / (1 + @problem.deadlines[place]))
          edge = [place]
          while (one = edge.pop)
            next if worth[one] >= urgent

            worth[one] = urgent
            edge.concat(@problem.before[one])
          end
        end

        def once(worth)
          begin_with(worth)
          order = []
          while (owner = soonest)
            place = best(@open[owner], owner)
            order << place
            done(place, owner)
          end
          order
        end

        def begin_with(worth)
          @worth = worth
          @free_from = Array.new(@problem.owners.size, 0.0)
          @finishes = @placing.locked.dup
          @open = Array.new(@problem.owners.size) { [] }
          @ready = {}
          @waits = @problem.before.map { |some| some.count { |one| !@problem.locks[one] } }
          @problem.free.each { |place| opened(place) if @waits[place].zero? }
        end

        def opened(place)
          @ready[place] = [@problem.releases[place], @placing.after_others(place, @finishes)].max
          @open[@problem.owner_of[place]] << place
        end

        def begins(place, owner) = [@free_from[owner], @ready[place]].max

        # The owner who can begin something first, by the calendar.
        def soonest
          (0...@open.size)
            .reject { |owner| @open[owner].empty? }
            .min_by { |owner| @problem.owners[owner].moment(@open[owner].map { |place| begins(place, owner) }.min) }
        end

        def best(places, owner)
          first = places.map { |place| begins(place, owner) }.min
          places
            .select { |place| begins(place, owner) <= first + WorkingTime::EPSILON }
            .max_by { |place| @worth[place] }
        end

        def done(place, owner)
          @open[owner].delete(place)
          start = @placing.start(place, @free_from[owner], @finishes)
          @finishes[place] = @free_from[owner] = start + @problem.hours[place]
          @problem.behind[place].each { |one| (@waits[one] -= 1).zero? && !@problem.locks[one] && opened(one) }
        end
      end
    end
  end
end
