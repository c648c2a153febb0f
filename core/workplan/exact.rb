# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # The best layout of few tasks: for each set of tasks that can be done first, the ways of having done them,
      # without those that another is as good as in everything that still matters.
      class Exact
        # So many that aren't locked, whatever binds them; of more as far as so many comparisons of ways are enough.
        MOST = 12
        MOST_TRIED = 30
        MOST_COMPARED = 400_000
        # What a way comes to: broken locks and late ones, the sum so far; from when on each owner is free; when what is
        # done is done; the order; and all of that which still matters, smaller is better.
        Way = Struct.new(:broken, :late, :objective, :free_from, :finishes, :order, :matters)

        # @param problem [Problem]
        # @param placing [Placing]
        # @param known [Layout] a way of doing it
        def initialize(problem, placing, known)
          @problem = problem
          @placing = placing
          @known = known
          @places = problem.free
          @bits = @places.each_with_index.to_h
        end

        # @return [Layout, nil] nil where there are too many ways
        def call
          return if @places.size > MOST_TRIED

          @compared = 0
          ways = {0 => [Way.new(0, 0, 0.0, Array.new(@problem.owners.size, 0.0), @placing.locked, [], [])]}
          @places.size.times do
            longer = Hash.new { |sets, set| sets[set] = [] }
            ways.each do |set, some|
              grow(set, some, longer)
              return nil if @compared > MOST_COMPARED && @places.size > MOST
            end
            ways = longer
          end
          [@known, *ways.values.flatten.map { |way| Layout.new(@problem, @placing, way.order) }].min
        end

        private

        def grow(set, ways, longer)
          @places.each_with_index do |place, bit|
            next unless set[bit].zero? && @problem.before[place].all? { |one| done?(set, one) }

            all = set | 1 << bit
            ways.each { |way| keep(longer[all], one_more(way, place), all) }
          end
        end

        def done?(set, place) = @problem.locks[place] || set[@bits.fetch(place)] == 1

        def one_more(way, place)
          owner = @problem.owner_of[place]
          finish = @placing.start(place, way.free_from[owner], way.finishes) + @problem.hours[place]
          Way.new(
            way.broken + broken(place, finish),
            way.late + (@placing.late?(place, finish) ? 1 : 0),
            way.objective + @problem.benefits[place] * finish,
            way.free_from.dup.tap { |all| all[owner] = finish },
            way.finishes.merge(place => finish),
            way.order + [place]
          )
        end

        def broken(place, finish)
          @problem.behind[place].count do |one|
            lock = @problem.locks[one]
            lock && @problem.seen_by(place, finish, one) > lock + WorkingTime::EPSILON
          end
        end

        def keep(ways, way, set)
          @compared += 1 + ways.size
          return if hopeless?(way, set)

          way.matters = matters(way, set)
          return if ways.any? { |one| as_good?(one.matters, way.matters) }

          ways.reject! { |one| as_good?(way.matters, one.matters) }
          ways << way
        end

        # Even if nothing bound what is left: each owner by benefit an hour.
        def hopeless?(way, set)
          hours = way.free_from.dup
          left =
            by_worth.sum do |place, bit|
              next 0.0 if set[bit] == 1

              @problem.benefits[place] * (hours[@problem.owner_of[place]] += @problem.hours[place])
            end
          ([way.broken, way.late, (locked_objective + way.objective + left).round(6)] <=> bar).positive?
        end

        def by_worth =
          @by_worth ||=
            @places.each_with_index.sort_by do |place, _|
              -Problem.an_hour(@problem.benefits[place], @problem.hours[place])
            end

        # A lock that is broken twice counts once in a layout.
        def bar = @bar ||= @known.broken.any? ? [Float::INFINITY] : @known.value

        def locked_objective =
          @locked_objective ||= @placing.locked.sum { |place, finish| @problem.benefits[place] * finish }

        # When something is done matters as long as others wait for it whose hours aren't those of its owner.
        def matters(way, set)
          waited_for(set)
            .map { |place| way.finishes[place] }
            .concat(way.free_from)
            .push(way.broken, way.late, way.objective)
        end

        def waited_for(set)
          (@waited_for ||= {})[set] ||= @places.select do |place|
            set[@bits[place]] == 1 &&
              @problem.behind[place].any? do |one|
                !@problem.locks[one] && set[@bits[one]].zero? && @problem.owner_of[one] != @problem.owner_of[place]
              end
          end
        end

        def as_good?(one, other)
          one.each_with_index { |value, at| return false if value > other[at] + WorkingTime::EPSILON }
          true
        end
      end
    end
  end
end
