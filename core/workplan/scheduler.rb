# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Lays tasks out so that the largest benefit comes earliest: the sum of benefit x finish is made as small as can
      # be, under what comes before what, owners' hours, freezes, locks and deadlines. Exact up to Exact::MOST tasks and
      # for many sets of somewhat more, and for one owner without dates whose precedence is made of series and
      # parallels; else the best of several orders and a search from them, never worse than as they came.
      class Scheduler
        SECONDS = 2

        # @param owners [Array<WorkingTime>] at least one
        # @param seconds [Numeric] for the search
        # @param clock [#call] gives seconds
        def initialize(owners, clock:, seconds: SECONDS)
          @owners = owners
          @seconds = seconds
          @clock = clock
        end

        # @param tasks [Array<Task>]
        # @return [Plan]
        def call(tasks)
          tasks = OwnersGiven.new(tasks, @owners).call
          impossible = Impossible.new(tasks, @owners)
          why = impossible.call
          loop do
            problem = Problem.new(impossible.left(why), @owners)
            bound = Bound.new(problem).call
            layout, proved = best(problem, bound)
            more = impossible.more(why, problem, layout)
            return Plan.new(problem, layout, why, bound: bound, proved: proved) if more == why

            why = more
          end
        end

        private

        def best(problem, bound)
          placing = Placing.new(problem)
          layouts = Orders.new(problem, placing).all.map { |order| Layout.new(problem, placing, order) }
          return [layouts.min, true] if unbetterable?(layouts.min, bound)

          found = searched(problem, placing, layouts)
          exact = Exact.new(problem, placing, found).call
          exact ? [exact, true] : [found, false]
        end

        # What is as small as the bound.
        def unbetterable?(layout, bound) =
          layout.late.empty? && layout.broken.empty? && layout.objective <= bound + WorkingTime::EPSILON

        # A few are all tried afterwards anyway.
        def searched(problem, placing, layouts)
          return layouts.min if problem.free.size <= Exact::MOST

          Search.new(problem, placing, seconds: @seconds, clock: @clock).call(layouts)
        end
      end
    end
  end
end
