# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # What is to be laid out, in numbers: tasks and owners by their places, times in working hours of the owner.
      class Problem
        # @return [Array<Task>]
        attr_reader :tasks
        # @return [Array<WorkingTime>]
        attr_reader :owners
        # By the place of a task: its owner's place; benefit; hours; places of those before and behind it; the hours
        # before which it can't begin; by which it is to be done (nil); at which it must begin (nil).
        attr_reader :owner_of, :benefits, :hours, :before, :behind, :releases, :deadlines, :locks

        # @param tasks [Array<Task>] each with an owner; none comes after one that isn't there
        # @param owners [Array<WorkingTime>]
        def initialize(tasks, owners)
          @tasks = tasks
          @owners = owners
          by_name = owners.each_with_index.to_h { |owner, place| [owner.name, place] }
          by_id = tasks.each_with_index.to_h { |task, place| [task.id, place] }
          @owner_of = tasks.map { |task| by_name.fetch(task.owner) }
          @benefits = tasks.map { |task| task.benefit.to_f }
          @hours = tasks.map { |task| task.hours.to_f }
          @before = tasks.map { |task| task.after.map { |id| by_id.fetch(id) }.uniq }
          @behind = behind_each
          @releases = times { |task, time| task.not_before ? time.before(time.day(task.not_before)) : 0.0 }
          @deadlines = times { |task, time| task.deadline && time.before(time.day(task.deadline) + 1) }
          @locks = times { |task, time| task.locked_start && time.before(time.day(task.locked_start)) }
        end

        # @return [Integer]
        def size = tasks.size

        # @param place [Integer]
        # @return [WorkingTime]
        def time(place) = owners[owner_of[place]]

        # @return [Array<Array<Integer>>] places of the tasks of each owner who has any
        def by_owner = @by_owner ||= (0...size).group_by { |place| owner_of[place] }.values

        # @param benefit [Float]
        # @param hours [Float]
        # @return [Float] what something is worth an hour
        def self.an_hour(benefit, hours) = hours.zero? ? Float::INFINITY : benefit / hours

        # Others' hours go by the calendar; those of the same owner by the hours worked.
        #
        # @param one [Integer] which is done
        # @param finish [Float] after so many hours of its owner
        # @param place [Integer] which waits for it
        # @return [Float] hours of the owner of the one that waits
        def seen_by(one, finish, place)
          (owner_of[one] == owner_of[place]) ? finish : time(place).after(time(one).moment(finish))
        end

        # @return [Array<Integer>] places of those that nobody locked to a day
        def free = @free ||= (0...size).reject { |place| locks[place] }

        # @return [Array<Integer>] places, none before one that it comes after; else as they were given
        def in_order = @in_order ||= sorted((0...size).to_a)

        # @param wished [Array<Integer>] places in the order in which one would have them
        # @return [Array<Integer>] the same, each as soon as all before it are there
        def sorted(wished)
          rank = wished.each_with_index.to_h
          open = before.map { |some| some.count { |one| rank.key?(one) } }
          ready = Ready.new(wished.select { |place| open[place].zero? }, rank)
          Array.new(wished.size) do
            ready.take.tap do |place|
              behind[place].each { |one| rank.key?(one) && (open[one] -= 1).zero? && ready.add(one) }
            end
          end
        end

        private

        def times = tasks.each_with_index.map { |task, place| yield(task, time(place)) }

        def behind_each
          found = Array.new(tasks.size) { [] }
          before.each_with_index { |some, place| some.each { |one| found[one] << place } }
          found
        end

        # Those whose turn it may be, the best rank first.
        class Ready
          def initialize(places, rank)
            @rank = rank
            @places = places.sort_by { |place| -rank[place] }
          end

          def take = @places.pop

          def add(place)
            at = @places.bsearch_index { |one| @rank[one] <= @rank[place] } || @places.size
            @places.insert(at, place)
          end
        end
        private_constant :Ready
      end
    end
  end
end
