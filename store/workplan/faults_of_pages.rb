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
        KEYS = "SELECT identity::text AS key FROM %<faults>s WHERE url = ANY($1::text[])"
        # Of wanted pages that stop by naming another canonical.
        DIVERTED = <<~SQL
          SELECT f.code, f.url, f.about FROM %<faults>s f JOIN %<ledger>s l USING (url_id)
          WHERE l.wanted AND l.kind = 'html' AND l.status = 200 AND l.stop = 'own'
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

        # @param run [Judging::VerdictRun]
        # @param urls [Array<String>]
        # @return [Hash{String => true}] keys of all that is told of them (Core::Faults::Key)
        def keys(run, urls) =
          Postgres::Sql
            .rows(format(KEYS, Postgres::Partitions.of_run(run)), [Postgres::Sql.array(urls)])
            .to_h { |row| [row["key"], true] }

        # @param run [Judging::VerdictRun]
        # @return [Array<Hash>] code, url and about of what is told of wanted pages that name another canonical
        def diverted(run) = Postgres::Sql.rows(format(DIVERTED, Postgres::Partitions.of_run(run)))
      end
    end
  end
end
