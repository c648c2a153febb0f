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
          cancel = nil
          beside = start { cancellable(work) { |canceller| cancel = canceller } }
          yield
          beside.value
        ensure
          give_up(beside, cancel) if beside&.alive?
        end

        # A statement that was on its way when the thread was ended is ended as well, as long as the connection is ours.
        def cancellable(work)
          cancel = Database.canceller
          yield cancel
          done = false
          work.call.tap { done = true }
        ensure
          cancel&.call unless done
        end

        # Its statement is ended as well: the server would go on with it.
        def give_up(beside, cancel)
          beside.kill
          cancel&.call
          beside.join
        end
        private_class_method :cancellable, :give_up
      end
    end
  end
end
