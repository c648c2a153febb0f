# frozen_string_literal: true

module IronTrellis
  module Store
    module Tasks
      # The rows of the job engine (Que's tables), as far as the engine itself has no words for what is asked of them.
      module QueuedJobs
        # Jobs of a class and with arguments, that aren't finished.
        SAME = "job_class = $1 AND kwargs = $2::jsonb AND finished_at IS NULL"
        OWN = <<~SQL
          SELECT j.id, j.queue, (SELECT count(*) FROM que_jobs o WHERE o.queue = j.queue AND o.finished_at IS NULL AND
            o.expired_at IS NULL AND o.run_at <= now() AND (o.priority, o.run_at, o.id) < (j.priority, j.run_at, j.id)
            AND o.id <> ALL($2::bigint[])) AS before
          FROM que_jobs j WHERE j.job_class = $1 AND j.kwargs = $3::jsonb AND j.finished_at IS NULL
        SQL
        LISTENING = "SELECT 1 FROM que_lockers WHERE $1 = ANY(queues) LIMIT 1"
        FAILED =
          "SELECT id, job_class, error_count, last_error_message FROM que_jobs WHERE queue = ANY($1::text[]) AND " \
          "error_count > 0"

        module_function

        # Runs the block, which enqueues such a job, unless one waits or runs already; what expired is forgotten.
        #
        # @param job_class [String]
        # @param arguments [String] JSON
        # @return [Boolean] whether it was run
        def once(job_class, arguments)
          same = [job_class, arguments]
          ActiveRecord::Base.transaction do
            Postgres::Sql.run("SELECT pg_advisory_xact_lock(hashtextextended($1, 0))", [same.join])
            next false if Postgres::Sql.run("SELECT 1 FROM que_jobs WHERE #{SAME} AND expired_at IS NULL", same).any?

            Postgres::Sql.run("DELETE FROM que_jobs WHERE #{SAME}", same)
            yield
            true
          end
        end

        # @param queues [Array<String>]
        # @return [void]
        def forget(queues) =
          Postgres::Sql.run("DELETE FROM que_jobs WHERE queue = ANY($1::text[])", [Postgres::Sql.array(queues)])

        # @param queues [Array<String>]
        # @return [Array<Hash>] id, job_class, error_count and last_error_message
        def failed(queues) = Postgres::Sql.rows(FAILED, [Postgres::Sql.array(queues)])

        # @param job_class [String]
        # @param arguments [String] JSON
        # @param running [Array<Integer>] ids of jobs that run
        # @return [Hash, nil] id and queue of such a job, and how many wait before it
        def waiting(job_class, arguments, running) =
          Postgres::Sql.rows(OWN, [job_class, Postgres::Sql.array(running), arguments]).first

        # @param queue [String]
        # @return [Boolean] whether a worker listens to it
        def worked?(queue) = Postgres::Sql.run(LISTENING, [queue]).any?
      end
    end
  end
end
