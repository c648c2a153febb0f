# frozen_string_literal: true

module IronTrellis
  module Work
    module Runtime
      # A worker process: looked after by a supervisor, it works the jobs of its queues.
      module Worker
        module_function

        # Works until it is told to end.
        #
        # @param queues [Array<String>]
        # @param parent [Integer, nil] the process without which it ends
        # @param prepared [Boolean] whether the database is known to be up to date
        # @param due [Array<#call>] what begins by itself when its time has come
        # @return [void]
        def run(queues:, parent: nil, prepared: false, due: [])
          Supervisor.new(parent: parent) do |ending|
            prepared ? Store::Postgres::Database.connect : Store::Postgres::Database.prepare
            Queue.connect
            Store::Judging::VerdictRun.sweep_all
            shared = queues.include?(Queue::SHARED)
            timetables = Timetables.new(due)
            Queue.work(queues: queues, threads: 1, attended: shared ? Queue::ATTENDED_THREADS : 0) do
              timetables.tick || ending.call
            end
          end.run
        end

        # Starts a worker as a child of this process, from what it has loaded.
        #
        # @param queue [String]
        # @return [Integer] its process id
        def start(queue)
          parent = Process.pid
          fork do
            run(queues: [queue], parent: parent, prepared: true)
            exit! 0
          end
        end
      end
    end
  end
end
