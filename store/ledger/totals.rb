# frozen_string_literal: true

module IronTrellis
  module Store
    module Ledger
      # What the rows that meet the conditions come to.
      module Totals
        module_function

        # @param run [Judging::VerdictRun]
        # @param conditions [Conditions]
        # @return [Hash] urls, of (all URLs of the run), wanted, indexable, with_faults, median_words
        def of(run, conditions)
          table = Postgres::Partitions.name("ledger_rows", run.id)
          sums = Postgres::Sql.rows(<<~SQL, conditions.params).first
            SELECT count(*) AS urls, count(*) FILTER (WHERE wanted) AS wanted, count(*) FILTER (WHERE indexable) AS
              indexable,
              count(*) FILTER (WHERE fault_count > 0) AS with_faults, percentile_disc(0.5) WITHIN GROUP (ORDER BY words)
                AS median_words
            FROM #{table} WHERE #{conditions.sql}
          SQL
          sums.merge("of" => Postgres::Sql.rows("SELECT count(*) FROM #{table}").first["count"])
        end
      end
    end
  end
end
