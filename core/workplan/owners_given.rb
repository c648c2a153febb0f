# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Gives fixes that have no owner to the one who would finish them first, in the order of the best chains; of two
      # the one who is named first. Each gets work of its own roles only.
      class OwnersGiven
        # @param tasks [Array<Task>] for each role of theirs there is an owner
        # @param owners [Array<WorkingTime>]
        def initialize(tasks, owners)
          @tasks = tasks
          @owners = owners
        end

        # @return [Array<Task>] each with an owner
        def call
          return @tasks if @tasks.all?(&:owner)

          owners = @tasks.map(&:owner)
          usual = @tasks.map { |task| Task.new(**task.to_h, owner: task.owner || able(task).first.name) }
          order = Orders.new(Problem.new(usual, @owners)).by_chains
          busy = Hash.new(0.0)
          order.each do |place|
            task = @tasks[place]
            owners[place] ||= able(task).min_by.with_index { |time, at| [moment(time, busy[time.name], task), at] }.name
            busy[owners[place]] += task.hours
          end
          @tasks.zip(owners).map { |task, owner| Task.new(**task.to_h, owner: owner) }
        end

        private

        def able(task) = task.role ? @owners.select { |time| time.roles.include?(task.role) } : @owners

        def moment(time, busy, task) =
          time.any? ? time.moment([busy, release(time, task)].max + task.hours) : Float::INFINITY

        def release(time, task) = task.not_before ? time.before(time.day(task.not_before)) : 0.0
      end
    end
  end
end
