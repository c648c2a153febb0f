# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # What no layout can fall below: owner by owner the larger of two relaxations. One drops all but the owner's own
      # precedence (of a tangled one each task keeps one of those before it); the other lets tasks be interrupted, drops
      # precedence and keeps the hour before which each can't begin.
      #
      # Source of the second: the mean busy times of the preemptive schedule by benefit an hour (M. X. Goemans, SODA
      # 1997, from memory).
      class Bound
        # @param problem [Problem]
        def initialize(problem)
          @problem = problem
        end

        # @return [Float]
        def call
          heads = self.heads
          @problem.by_owner.sum { |places| [ordered(places), interrupted(places, heads)].max }
        end

        private

        def ordered(places)
          SeriesParallel.new(@problem, places).objective
        rescue SeriesParallel::Tangled
          SeriesParallel.new(@problem, places, trees(places)).objective
        end

        def trees(places)
          own = places.to_h { |place| [place, true] }
          @problem.before.map { |some| some.select { |one| own.key?(one) }.first(1) }
        end

        # When each could begin if every owner had endless hands.
        def heads
          starts = []
          @problem.in_order.each do |place|
            starts[place] =
              [
                @problem.locks[place] || @problem.releases[place],
                *@problem.before[place].map { |one| @problem.seen_by(one, starts[one] + @problem.hours[one], place) }
              ].max
          end
          starts
        end

        # The sum of benefit x (mean busy time + half the hours).
        def interrupted(places, heads)
          waiting = places.sort_by { |place| heads[place] }
          open = []
          now = sum = 0.0
          until waiting.empty? && open.empty?
            now = heads[waiting.first] if open.empty? && heads[waiting.first] > now
            take(open, waiting.shift) while waiting.any? && heads[waiting.first] <= now + WorkingTime::EPSILON
            place, left = open.last
            worked = [left, waiting.any? ? heads[waiting.first] - now : left].min
            sum += share(place, worked, now)
            now += worked
            (left - worked <= WorkingTime::EPSILON) ? open.pop : open.last[1] = left - worked
          end
          sum + places.sum { |place| @problem.benefits[place] * @problem.hours[place] / 2 }
        end

        def share(place, worked, now)
          hours = @problem.hours[place]
          hours.zero? ? @problem.benefits[place] * now : @problem.benefits[place] * worked / hours * (now + worked / 2)
        end

        # The best an hour lies last.
        def take(open, place)
          at = open.bsearch_index { |one, _| worth(one) > worth(place) } || open.size
          open.insert(at, [place, @problem.hours[place]])
        end

        def worth(place) = Problem.an_hour(@problem.benefits[place], @problem.hours[place])
      end
    end
  end
end
