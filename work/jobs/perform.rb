# frozen_string_literal: true

module IronTrellis
  module Work
    module Jobs
      # Does what somebody waits for. What went wrong is told to them; it isn't tried again unless they ask.
      class Perform < Runtime::Job
        # (see Runtime::Job.explain)
        def self.explain(given)
          kind = Store::Tasks::Task.where(id: given["task_id"]).pick(:kind)
          kind ? Tasks::Registry.all.fetch(kind)::DOING : "something"
        end

        def run(task_id:)
          task = Store::Tasks::Task.find_by(id: task_id)
          perform(task) if task&.open?
          finish
        end

        # @return [void]
        def given_up(error) =
          Store::Tasks::Task.find_by(id: que_attrs[:kwargs][:task_id])&.fail(wrapped(error), now: now)

        private

        def perform(task)
          return unless task.take_up

          kind = Tasks::Registry.all.fetch(task.kind)
          result = kind.call(task.input, now: now) { |*progress| progress.any? ? task.tell(*progress) : task.check }
          task.succeed(result, now: now)
        rescue PG::ConnectionBad, PG::UnableToSend, ActiveRecord::ConnectionFailed
          raise
        rescue Core::Error::Cancelled
          # Its state says so already.
        rescue => error
          warn error.full_message(highlight: false) unless error.is_a?(Core::Error)
          task.fail(wrapped(error), now: now)
        end

        def wrapped(error) = error.is_a?(Core::Error) ? error : Core::Error.new(explain(error))
      end
    end
  end
end
