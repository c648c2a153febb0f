# frozen_string_literal: true

module IronTrellis
  module Store
    module Postgres
      # What is done by one at a time of all processes that share the database. The lock goes with the connection, so a
      # dead process holds none.
      module InTurn
        KEY = "hashtextextended($1, 0)"

        module_function

        # Waits for its turn.
        #
        # @param what [String] what is done
        # @return [Object] what the block gives
        def call(what, &block)
          Sql.run("SELECT pg_advisory_lock(#{KEY})", [what])
          held(what, &block)
        end

        # Does it unless another process is at it.
        #
        # @param what [String] what is done
        # @return [Object, nil] what the block gives; nil where it wasn't run
        def alone(what, &block) =
          Sql.run("SELECT 1 WHERE pg_try_advisory_lock(#{KEY})", [what]).none? ? nil : held(what, &block)

        def held(what)
          yield
        ensure
          Sql.run("SELECT pg_advisory_unlock(#{KEY})", [what]) unless Sql.raw.finished?
        end
        private_class_method :held
      end
    end
  end
end
