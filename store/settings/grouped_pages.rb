# frozen_string_literal: true

module IronTrellis
  module Store
    module Settings
      # The pages of each group, as the newest verdicts have them: HTML that answers 200 itself.
      class GroupedPages
        PAGES = <<~SQL
          SELECT "group", url FROM %<ledger>s WHERE kind = 'html' AND status = 200 AND redirect_to IS NULL
          ORDER BY url COLLATE "C"
        SQL

        # @param run [Judging::VerdictRun]
        def initialize(run)
          @run = run
        end

        # @return [Hash{String => Array<String>}] URLs by group, in byte order
        def call =
          Postgres::Sql
            .rows(format(PAGES, Postgres::Partitions.of_run(@run)))
            .group_by { |row| row["group"] }
            .transform_values { |rows| rows.map { |row| row["url"] } }
      end
    end
  end
end
