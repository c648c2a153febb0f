# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # How much benefit is free by the end of each day: as it is planned, as the fixes came, and at most, whatever the
      # order. Points are [day from the start, benefit], where something changes.
      class GainCurve
        DIGITS = 1

        # @param tasks [Array<Task>] each with an owner, as they came
        # @param owners [Array<WorkingTime>]
        # @param finishes [Hash{String => Integer}] by id, the day on which each is done as planned
        def initialize(tasks, owners, finishes)
          @tasks = tasks
          @owners = owners
          @finishes = finishes
        end

        # @return [Array<Array(Integer, Float)>]
        def planned = points(@tasks.map { |task| [@finishes.fetch(task.id), task.benefit] })

        # @return [Array<Array(Integer, Float)>]
        def first_come
          problem = Problem.new(@tasks.map { |task| task.dup.tap { |one| one.locked_start = nil } }, @owners)
          layout = Layout.new(problem, Placing.new(problem), problem.in_order)
          points(
            layout.finishes.map do |place, hours|
              time = problem.time(place)
              [time.day(time.finish_date(hours)), problem.benefits[place]]
            end
          )
        end

        # Each owner alone does what is worth most an hour first, and what is begun counts in part: no order can free
        # more by any day (Smith 1956, with precedence and dates dropped).
        #
        # @return [Array<Array(Integer, Float)>] for each of these days
        def bound(days) = days.map { |day| [day, freed_at_most(day).round(DIGITS)] }

        private

        def points(done)
          total = 0.0
          [[0, 0.0]] +
            done.group_by(&:first).sort.map { |day, some| [day, (total += some.sum { |one| one[1] }).round(DIGITS)] }
        end

        def freed_at_most(day)
          @owners.sum do |owner|
            left = owner.before(day + 1)
            dearest(owner.name).sum do |task|
              hours = task.hours.to_f
              done = hours.zero? ? 1.0 : [left / hours, 1.0].min
              left = [left - hours, 0.0].max
              task.benefit * done
            end
          end
        end

        def dearest(name)
          @dearest ||=
            @tasks
              .group_by(&:owner)
              .transform_values { |some| some.sort_by { |task| -Problem.an_hour(task.benefit.to_f, task.hours.to_f) } }
          @dearest.fetch(name, [])
        end
      end
    end
  end
end
