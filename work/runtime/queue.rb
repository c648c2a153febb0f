# frozen_string_literal: true

require "json"
require "que"

module IronTrellis
  module Work
    module Runtime
      # The one place that knows the job engine (Que: jobs in PostgreSQL, so that enqueuing is part of a transaction).
      module Queue
        POLL_SECONDS = 0.25
        # What all workers of an installation share, unless something was given a queue of its own.
        SHARED = "crawl"
        # The priority of what somebody waits for, and how many threads of a worker do nothing else.
        ATTENDED = 10
        ATTENDED_THREADS = 4
        # What takes minutes waits in a lane of its own, so that it holds up nothing that takes seconds.
        LONG = "-long"

        module_function

        # To be called once in each process that enqueues or works.
        #
        # @return [void]
        def connect
          Que.connection = ActiveRecord
          Que.logger = nil
          Que.error_notifier =
            proc { |error, job| warn "#{job[:job_class]} failed: #{error.class}: #{error.message}" if error && job }
        end

        # @param name [String] of a job, as in Work::Jobs
        # @param args [Hash{Symbol => Object}] JSON values
        # @param queue [String]
        # @param at [Time, nil] not before
        # @param priority [Integer, nil] the lower, the sooner
        # @param long [Boolean, nil] whether it takes minutes; nil where the job says so itself
        # @return [void]
        def enqueue(name, args, queue: SHARED, at: nil, priority: nil, long: nil)
          job = job(name)
          long = job::LONG if long.nil?
          lane = long ? "#{queue}#{LONG}" : queue
          job.enqueue(**args, job_options: {queue: lane, run_at: at, priority: priority}.compact)
        end

        # @param name [String] of a job
        # @param args [Hash{Symbol => Object}] JSON values
        # @return [Boolean] whether it was put on the queue: not where the same work waits or runs already
        def enqueue_once(name, args) =
          Store::Tasks::QueuedJobs.once(job(name).name, JSON.generate(args)) { enqueue(name, args) }

        # Jobs call what enqueues them, so they are known here by their names alone.
        #
        # @param name [String]
        # @return [Class] a Job
        def job(name) = name.include?("::") ? Object.const_get(name) : Work.const_get("Jobs::#{name}")

        # Works jobs until `stop?` says so; a job that runs then is finished first. No job is taken before a thread is
        # free for it: kept in a buffer it would be locked away from other processes that could work it.
        #
        # @param queues [Array<String>]
        # @param threads [Integer] for any job that takes seconds, and as many for those that take minutes
        # @param attended [Integer] further ones, for what somebody waits for
        # @yieldreturn [Boolean] whether to stop
        # @return [void]
        def work(queues:, threads:, attended: 0)
          # A lost connection ends the job engine's own thread, which raises here; one message of it is enough.
          Thread.report_on_exception = false
          short = locker(queues, [nil] * threads + [ATTENDED] * attended)
          long = locker(queues.map { |queue| "#{queue}#{LONG}" }, [nil] * threads) if threads.positive?
          lockers = [short, long].compact
          sleep 0.1 until yield
          @ending = true
          lockers.each(&:stop)
          lockers.each(&:stop!)
        ensure
          @ending = false
        end

        def locker(queues, priorities) =
          Que::Locker.new(queues: queues, worker_priorities: priorities, poll_interval: POLL_SECONDS,
            maximum_buffer_size: 0)
        private_class_method :locker

        # @return [Boolean] whether this process was told to end: slices of work that can be cut short look at it
        def ending? = @ending || false

        # Forgets all jobs of a queue.
        #
        # @param queue [String]
        # @return [void]
        def clear(queue) = Store::Tasks::QueuedJobs.forget([queue, "#{queue}#{LONG}"])

        # @param queue [String]
        # @return [Array<Hash>] jobs that failed for good or wait for another try, with why, in words
        def errors(queue) =
          Store::Tasks::QueuedJobs
            .failed([queue, "#{queue}#{LONG}"])
            .map { |job| job.merge("why" => Failure.kept(job["last_error_message"])) }
      end
    end
  end
end
