# frozen_string_literal: true

require "json"

module IronTrellis
  module Work
    module Runtime
      # What stands before a task that waits, for people: what workers do meanwhile in its lane, and how many others
      # wait before it.
      module Waiting
        OWN = <<~SQL
          SELECT j.id, j.queue, (SELECT count(*) FROM que_jobs o WHERE o.queue = j.queue AND o.finished_at IS NULL AND
            o.expired_at IS NULL AND o.run_at <= now() AND (o.priority, o.run_at, o.id) < (j.priority, j.run_at, j.id)
            AND o.id <> ALL($2::bigint[])) AS before
          FROM que_jobs j WHERE j.job_class = $1 AND j.kwargs = $3::jsonb AND j.finished_at IS NULL
        SQL
        LISTENING = "SELECT 1 FROM que_lockers WHERE $1 = ANY(queues) LIMIT 1"
        NOBODY = "No worker is running. Start one with bin/worker."

        module_function

        # @param task [Store::Tasks::Task]
        # @return [Hash, nil] whether nobody works, and a text; nil where it doesn't wait, or is about to be taken up
        def for(task)
          return nil unless task.state == Store::Tasks::Task::WAITING

          running = Que.job_states
          own = Store::Postgres::Sql.rows(OWN, arguments(task, running)).first or return nil
          return {nobody: true, text: NOBODY} if Store::Postgres::Sql.run(LISTENING, [own["queue"]]).none?

          told(running.select { |job| job[:queue] == own["queue"] && job[:id] != own["id"] }, own["before"])
        end

        def arguments(task, running) =
          [Jobs::Perform.name, Store::Postgres::Sql.array(running.map { |job| job[:id] }),
            JSON.generate(task_id: task.id)]

        def told(running, before)
          doing = running.map { |job| Object.const_get(job[:job_class]).told(job[:kwargs].transform_keys(&:to_s)) }
          sentences = []
          sentences << "The workers are busy with #{doing.uniq.join(", ")}." if doing.any?
          sentences << "#{before} #{(before == 1) ? "other waits" : "others wait"} before it." if before.positive?
          {nobody: false, text: sentences.join(" ")} if sentences.any?
        end
        private_class_method :arguments, :told
      end
    end
  end
end
