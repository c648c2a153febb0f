# frozen_string_literal: true

module IronTrellis
  module Store
    module Postgres
      # Work done beside other work of the same process, on a connection of its own: while the database works for the
      # one, Ruby works for the other.
      module Concurrently
        module_function

        # @return [Thread] its value is what the block gives; what the block raises is raised where the value is asked
        #   for
        def start(&work)
          Thread
            .new { ActiveRecord::Base.connection_pool.with_connection { work.call } }
            .tap { |thread| thread.report_on_exception = false }
        end

        # Both to their ends; where the block raises, the work beside it is given up first.
        #
        # @param work [#call]
        # @yield what is done meanwhile
        # @return [Object] what the work gives
        def call(work)
          beside = start { cancellable(work) }
          yield
          beside.value
        ensure
          beside.kill.join if beside&.alive?
        end

        # Where the thread is ended its statement is ended as well, as long as the connection is ours: the server would
        # go on with it. What the work raises has ended its statement already.
        def cancellable(work)
          cancel = Database.canceller
          over = false
          work.call.tap { over = true }
        rescue
          over = true
          raise
        ensure
          cancel&.call unless over
        end
        private_class_method :cancellable
      end
    end
  end
end
