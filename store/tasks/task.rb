# frozen_string_literal: true

module IronTrellis
  module Store
    module Tasks
      # Something that a person asked for and waits for while a worker does it.
      class Task < Postgres::Record
        self.table_name = "tasks"

        WAITING = "waiting"
        RUNNING = "running"
        DONE = "done"
        FAILED = "failed"
        CANCELLED = "cancelled"
        # What came of it is fetched at once; later it is of no use to anybody.
        KEPT_SECONDS = 86_400

        # @param kind [String]
        # @param input [Hash{String => Object}] JSON values
        # @param now [Time]
        # @return [Task]
        def self.ask(kind, input, now:)
          where(asked_at: ...(now - KEPT_SECONDS)).delete_all
          create!(kind: kind, input: input, asked_at: now)
        end

        # @return [Boolean] whether anything is still to come
        def open? = [WAITING, RUNNING].include?(state)

        # @return [Boolean] whether it is to be done; not where it was cancelled
        def take_up = open_one.update_all(state: RUNNING).positive?

        # @return [void]
        # @raise [Core::Error::Cancelled] where nobody waits for it any more
        def check = open_one.exists? || cancelled

        # @param done [Integer]
        # @param total [Integer, nil] nil where that isn't known
        # @return [void]
        # @raise [Core::Error::Cancelled] where nobody waits for it any more
        def tell(done, total)
          open_one.update_all(done: done, total: total).positive? || cancelled
        end

        # Whoever does it sees that when they next tell how far they are; what has ended stays as it is.
        #
        # @param now [Time]
        # @return [void]
        def cancel(now:) = open_one.update_all(state: CANCELLED, ended_at: now)

        # @param result [Hash] JSON values
        # @return [void]
        def succeed(result, now:) = open_one.update_all(state: DONE, result: result, ended_at: now)

        # @param error [Core::Error]
        # @return [void]
        def fail(error, now:)
          update!(
            state: FAILED,
            problem: {code: error.code, detail: error.message, problems: error.data[:problems]}.compact,
            ended_at: now
          )
        end

        # @return [Hash]
        def view
          {id: id, kind: kind, state: state, done: done, total: total, result: result, problem: problem}
        end

        private

        def cancelled = raise(Core::Error::Cancelled.new("It was cancelled."))

        # Itself, unless it has ended meanwhile.
        def open_one = self.class.where(id: id, state: [WAITING, RUNNING])
      end
    end
  end
end
