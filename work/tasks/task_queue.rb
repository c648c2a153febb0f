# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      # Puts what somebody waits for before a worker.
      module TaskQueue
        # Before crawls, which every worker leaves some of its threads free for.
        PRIORITY = Runtime::Queue::ATTENDED

        module_function

        # @param kind [Module] of Tasks::Kinds
        # @param input [Hash{Symbol => Object}] JSON values, as the kind takes them
        # @param now [Time]
        # @param quick [Boolean] whether it is done in seconds: what takes minutes waits among all other work
        # @return [Store::Tasks::Task]
        def ask(kind, input, now:, quick: true)
          ActiveRecord::Base.transaction do
            task = Store::Tasks::Task.ask(kind::CODE, input, now: now)
            Runtime::Queue.enqueue(
              "Perform",
              {task_id: task.id},
              priority: quick ? PRIORITY : nil,
              long: !quick
            )
            task
          end
        end
      end
    end
  end
end
