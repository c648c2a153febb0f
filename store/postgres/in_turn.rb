# frozen_string_literal: true

module IronTrellis
  module Store
    module Postgres
      # What is done one after the other by all processes that share the database.
      module InTurn
        # @param what [String] what is done
        # @return [Object] what the block gives
        def self.call(what)
          Sql.run("SELECT pg_advisory_lock(hashtextextended($1, 0))", [what])
          begin
            yield
          ensure
            Sql.run("SELECT pg_advisory_unlock(hashtextextended($1, 0))", [what]) unless Sql.raw.finished?
          end
        end
      end
    end
  end
end
