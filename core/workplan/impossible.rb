# frozen_string_literal: true

require "time"

module IronTrellis
  module Core
    module Workplan
      # Tasks that no layout can place, and why: their owner never works, they are locked to a day without work or to
      # one that another has, or they come after one that can't be placed or isn't done in time.
      class Impossible
        # @param tasks [Array<Task>] each with an owner
        # @param owners [Array<WorkingTime>]
        def initialize(tasks, owners)
          @tasks = tasks
          @times = owners.to_h { |time| [time.name, time] }
          @works = owners.to_h { |time| [time.name, time.any?] }
        end

        # @return [Hash{Object => String}] by id, why
        def call
          why = {}
          @tasks.each { |task| (reason = alone(task)) && why[task.id] = reason }
          locked_at_once(why)
          behind(why)
        end

        # @param why [Hash{Object => String}]
        # @return [Array<Task>] the others
        def left(why) = @tasks.reject { |task| why.key?(task.id) }

        # @param why [Hash{Object => String}] known so far
        # @param problem [Problem]
        # @param layout [Layout] the best there is
        # @return [Hash{Object => String}] with what that layout shows: the lock that it breaks first, what isn't done
        #   in any time that is looked at
        def more(why, problem, layout)
          never = beyond(problem, layout)
          return behind(why.merge(never)) if never.any?
          return why if layout.broken.empty?

          behind(why.merge(broken(problem, layout)))
        end

        private

        def beyond(problem, layout)
          places =
            (0...problem.size).select do |place|
              layout.finishes[place] > problem.time(place).before(WorkingTime::MOST_DAYS) + WorkingTime::EPSILON
            end
          places.to_h { |place| [problem.tasks[place].id, "its owner has no hours left for it in twenty years"] }
        end

        def broken(problem, layout)
          place = layout.broken.min_by { |one| [problem.locks[one], one] }
          task = problem.tasks[place]
          late = problem.before[place].max_by { |one| problem.time(one).moment(layout.finishes[one]) }
          {
            task.id =>
              "it is locked to #{task.locked_start.iso8601}, and #{problem.tasks[late].id}, which comes before it, " \
                "can't be done by then"
          }
        end

        def alone(task)
          time = @times.fetch(task.owner)
          return "#{task.owner} has no working hours" unless @works.fetch(task.owner)
          return unless task.locked_start

          day = time.day(task.locked_start)
          return "it is locked to #{task.locked_start.iso8601}, before the plan begins" if day.negative?
          unless time.works?(day)
            return "it is locked to #{task.locked_start.iso8601}, on which #{task.owner} doesn't work"
          end
          return unless task.not_before && task.not_before > task.locked_start

          "it is locked to #{task.locked_start.iso8601}, and not to begin before #{task.not_before.iso8601}"
        end

        # Of two that would take the same hours the one stands that begins first, then the one given first.
        def locked_at_once(why)
          stands = Hash.new { |owners, name| owners[name] = [] }
          locked = @tasks.select { |task| task.locked_start && !why.key?(task.id) }
          locked
            .sort_by
            .with_index { |task, at| [task.locked_start, at] }
            .each do |task|
              from, to = hours(task)
              other = stands[task.owner].find { |start, finish, _| from < finish && start < to }
              next stands[task.owner] << [from, to, task.id] unless other

              why[task.id] = "it is locked to #{task.locked_start.iso8601}, when #{task.owner} is at #{other[2]}"
            end
        end

        def hours(task)
          time = @times.fetch(task.owner)
          from = time.before(time.day(task.locked_start))
          [from, from + task.hours]
        end

        def behind(why)
          loop do
            more = @tasks.filter_map { |task| waits(task, why) }.to_h
            return why if more.empty?

            why = why.merge(more)
          end
        end

        def waits(task, why)
          return if why.key?(task.id)

          one = task.after.find { |id| why.key?(id) }
          one && [task.id, "it comes after #{one}, which can't be placed"]
        end
      end
    end
  end
end
