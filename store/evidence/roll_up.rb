# frozen_string_literal: true

module IronTrellis
  module Store
    module Evidence
      # Counts once a run what its rules and the screens of evidence read.
      class RollUp
        MOST_DAYS = 60
        # Where pages stood on each day with whole evidence, and on the newest day, by the groups and intents of now.
        # Of use is what had clicks or impressions in the middle window.
        STANDINGS = <<~SQL
          INSERT INTO standing_rollups (run_id, day, "group", wanted, standing, urls, useless)
          SELECT $1, s.day, l."group", l.wanted, s.state, count(*), count(*) FILTER (WHERE coalesce(l.clicks, 0) = 0 AND
            coalesce(l.impressions, 0) = 0)
          FROM standings s JOIN %<ledger>s l USING (url_id)
          WHERE s.index_id = $2 AND s.superseded_by IS NULL AND #{Ledger::Scopes.document(of: "l.")} AND s.day IN
            (SELECT day FROM evidence WHERE index_id = $2 AND kind = 'standings' AND (whole OR day = $3) ORDER BY
              day DESC
              LIMIT #{MOST_DAYS})
          GROUP BY 2, 3, 4, 5
        SQL
        # What a whole evidence left unsaid wasn't known there.
        SILENT = <<~SQL
          INSERT INTO standing_rollups (run_id, day, "group", wanted, standing, urls, useless)
          SELECT $1, d.day, t."group", t.wanted, '#{Core::Evidence::Standing::NOT_KNOWN}', t.urls - coalesce(n.urls, 0),
            0
          FROM (SELECT "group", wanted, count(*) AS urls FROM %<ledger>s WHERE #{Ledger::Scopes.document} AND kind IS
              DISTINCT FROM '#{Core::Page::Kind::EXTERNAL}' GROUP BY 1, 2) t
          CROSS JOIN (SELECT day FROM evidence WHERE index_id = $2 AND kind = 'standings' AND whole ORDER BY day DESC
            LIMIT #{MOST_DAYS}) d
          LEFT JOIN (SELECT day, "group", wanted, sum(urls) AS urls FROM standing_rollups WHERE run_id = $1 GROUP BY 1,
            2, 3) n ON n.day = d.day AND n."group" = t."group" AND n.wanted = t.wanted
          WHERE t.urls > coalesce(n.urls, 0)
          ON CONFLICT (run_id, day, "group", wanted, standing) DO UPDATE SET urls = standing_rollups.urls +
            excluded.urls
        SQL
        FOUND_FOR = <<~SQL
          INSERT INTO found_for (run_id, url_id, query_id, clicks, impressions, position)
          SELECT $1, url_id, query_id, sum(clicks), sum(impressions), #{MeanPosition.sql}
          FROM search_queries WHERE index_id = $2 AND superseded_by IS NULL AND dated AND day BETWEEN $3 AND $4
          GROUP BY 2, 3 HAVING sum(impressions) > 0
        SQL

        # @param run [Judging::VerdictRun]
        # @param basis [Core::Evidence::Basis]
        def initialize(run, basis)
          @run = run
          @basis = basis
          @names = {ledger: Postgres::Partitions.name("ledger_rows", run.id)}
        end

        # The queries that pages were found for in the short window.
        #
        # @return [void]
        def found_for
          short = @basis.windows&.short or return
          Postgres::Sql.run(FOUND_FOR, [@run.id, @basis.index, short.begin.iso8601, short.end.iso8601])
          # It is read at once, and joined with it.
          Postgres::Sql.raw.exec("ANALYZE found_for")
        end

        # Belongs behind the rows of the ledger.
        #
        # @return [void]
        def standings
          newest = @basis.newest_standings&.iso8601 or return
          Postgres::Sql.run(format(STANDINGS, @names), [@run.id, @basis.index, newest])
          Postgres::Sql.run(format(SILENT, @names), [@run.id, @basis.index])
        end
      end
    end
  end
end
