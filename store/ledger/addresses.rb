# frozen_string_literal: true

module IronTrellis
  module Store
    module Ledger
      # The URLs of the ledger rows that meet the conditions.
      module Addresses
        # One more than a partial crawl takes, so that it can say how many there are too many.
        MOST = 100_001

        module_function

        # @param run [Judging::VerdictRun]
        # @param conditions [Conditions]
        # @return [Array<String>]
        def of(run, conditions)
          Postgres::Sql.run(
            "SELECT url FROM #{Postgres::Partitions.name("ledger_rows", run.id)} WHERE #{conditions.sql} ORDER BY " \
            "url LIMIT #{MOST}",
            conditions.params
          ).column_values(0)
        end
      end
    end
  end
end
