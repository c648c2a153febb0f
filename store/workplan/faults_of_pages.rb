# frozen_string_literal: true

module IronTrellis
  module Store
    module Workplan
      # What rules of some kind told of some pages, whichever fix it stands in.
      module FaultsOfPages
        SQL = <<~SQL
          SELECT code, url, about FROM %<faults>s WHERE url = ANY($1::text[]) AND code = ANY($2::text[])
          ORDER BY url COLLATE "C", code, about COLLATE "C"
        SQL

        module_function

        # @param run [Judging::VerdictRun]
        # @param urls [Array<String>]
        # @param codes [Array<String>]
        # @return [Hash{String => Array<Hash>}] by URL: code, url and about
        def of(run, urls, codes)
          return {} if urls.empty? || codes.empty?

          lists = [urls, codes].map { |list| Postgres::Sql.array(list) }
          Postgres::Sql.rows(format(SQL, Postgres::Partitions.of_run(run)), lists).group_by { |row| row["url"] }
        end
      end
    end
  end
end
