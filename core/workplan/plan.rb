# frozen_string_literal: true

require "time"

module IronTrellis
  module Core
    module Workplan
      # Tasks laid out: when each begins and is done, how far that is from what can't be bettered, what is late and
      # can't be placed.
      class Plan
        DIGITS = 4

        # @return [Problem]
        attr_reader :problem
        # @return [Layout]
        attr_reader :layout
        # @return [Hash{String => String}] by id of a task that can't be placed, why
        attr_reader :impossible

        # @param problem [Problem]
        # @param layout [Layout]
        # @param impossible [Hash{String => String}]
        # @param bound [Float] of the objective
        # @param proved [Boolean] whether there is no better one
        def initialize(problem, layout, impossible, bound:, proved:)
          @problem = problem
          @layout = layout
          @impossible = impossible
          @bound = bound
          @proved = proved
        end

        # @return [Boolean]
        def proved? = @proved

        # @return [Float] sum of benefit x finish
        def objective = layout.objective.round(DIGITS)

        # @return [Float] what no layout can fall below
        def bound = proved? ? objective : [@bound.round(DIGITS), objective].min

        # @return [Float, nil] how much in percent the plan may be from the best; nil where nothing is laid out
        def gap
          return if problem.size.zero?

          objective.zero? ? 0.0 : ((objective / bound - 1) * 100).round(2)
        end

        # @return [Hash] for JSON, as formats.md has it
        def to_h =
          {
            objective: objective,
            bound: bound,
            gap: gap,
            proved: proved?,
            schedule: schedule,
            late: layout.late.sort.map { |place| late_row(place) },
            impossible: impossible.map { |id, why| {id: id, why: why} }
          }

        # @return [Array<Hash>] id, owner, start, finish (days), finish_hours, those that begin first before the others
        def schedule
          places = (0...problem.size).sort_by { |place| [start(place), problem.owner_of[place], layout.starts[place]] }
          places.map do |place|
            {
              id: problem.tasks[place].id,
              owner: problem.tasks[place].owner,
              start: start(place).iso8601,
              finish: finish(place).iso8601,
              finish_hours: layout.finishes[place].round(DIGITS)
            }
          end
        end

        private

        def start(place) = problem.time(place).start_date(layout.starts[place])

        def finish(place) = problem.time(place).finish_date(layout.finishes[place])

        def late_row(place) =
          {
            id: problem.tasks[place].id,
            deadline: problem.tasks[place].deadline.iso8601,
            finish: finish(place).iso8601,
            because: held_up_by(place).map { |one| problem.tasks[one].id }
          }

        # What stands without a gap before it, at any remove, in the order of its beginning.
        def held_up_by(place)
          found = {}
          edge = [place]
          while (one = edge.shift)
            holders(one).each { |other| found[other] ||= edge << other }
          end
          found.keys.sort_by { |one| [start(one), layout.starts[one]] }
        end

        def holders(place)
          return [] if problem.locks[place]

          from = layout.starts[place]
          same = (0...problem.size).select { |one| problem.owner_of[one] == problem.owner_of[place] && one != place }
          same.select! { |one| (layout.finishes[one] - from).abs < WorkingTime::EPSILON }
          same |
            problem.before[place].select do |one|
              seen = problem.seen_by(one, layout.finishes[one], place)
              problem.owner_of[one] != problem.owner_of[place] && (seen - from).abs < WorkingTime::EPSILON
            end
        end
      end
    end
  end
end
