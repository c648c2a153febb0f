# frozen_string_literal: true

require "json"

module IronTrellis
  module Work
    module Runtime
      # What stands before a task that waits, for people: what workers do meanwhile in its lane, and how many others
      # wait before it.
      module Waiting
        NOBODY = "No worker is running. Start one with bin/worker."

        module_function

        # @param task [Store::Tasks::Task]
        # @return [Hash, nil] whether nobody works, and a text; nil where it doesn't wait, or is about to be taken up
        def for(task)
          return nil unless task.state == Store::Tasks::Task::WAITING

          running = Que.job_states
          own = waiting(task, running) or return nil
          return {nobody: true, text: NOBODY} unless Store::Tasks::QueuedJobs.worked?(own["queue"])

          explain(running.select { |job| job[:queue] == own["queue"] && job[:id] != own["id"] }, own["before"])
        end

        def waiting(task, running) =
          Store::Tasks::QueuedJobs.waiting(
            Queue.job("Perform").name,
            JSON.generate(task_id: task.id),
            running.map { |job| job[:id] }
          )

        def explain(running, before)
          doing = running.map { |job| Object.const_get(job[:job_class]).explain(job[:kwargs].transform_keys(&:to_s)) }
          sentences = []
          sentences << "The workers are busy with #{doing.uniq.join(", ")}." if doing.any?
          sentences << "#{before} #{(before == 1) ? "other waits" : "others wait"} before it." if before.positive?
          {nobody: false, text: sentences.join(" ")} if sentences.any?
        end
        private_class_method :waiting, :explain
      end
    end
  end
end
