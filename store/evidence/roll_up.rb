# frozen_string_literal: true

module IronTrellis
  module Store
    module Evidence
      # Counts once a run what the screens of evidence show.
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
        # What each whole evidence left unsaid isn't known there; of the newest day that is in the ledger.
        SILENT = <<~SQL
          INSERT INTO standing_rollups (run_id, day, "group", wanted, standing, urls, useless)
          SELECT $1, $2, "group", wanted, standing, count(*), count(*) FROM %<ledger>s l
          WHERE standing = '#{Core::Evidence::Standing::NOT_KNOWN}' AND #{Ledger::Scopes.document(of: "l.")}
          GROUP BY 3, 4, 5
          ON CONFLICT (run_id, day, "group", wanted, standing) DO UPDATE SET urls = excluded.urls
        SQL
        FOUND_FOR = <<~SQL
          INSERT INTO found_for (run_id, url_id, query_id, clicks, impressions, position)
          SELECT $1, url_id, query_id, sum(clicks), sum(impressions), round((sum(position * impressions) /
            nullif(sum(impressions) FILTER (WHERE position IS NOT NULL), 0))::numeric, 1)
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

        # @return [void]
        def call
          standings if @basis.newest_standings
          found_for if @basis.windows
        end

        private

        def standings
          newest = @basis.newest_standings.iso8601
          Postgres::Sql.run(format(STANDINGS, @names), [@run.id, @basis.index, newest])
          Postgres::Sql.run(format(SILENT, @names), [@run.id, newest]) if @basis.standings == @basis.newest_standings
        end

        def found_for
          short = @basis.windows.short
          Postgres::Sql.run(FOUND_FOR, [@run.id, @basis.index, short.begin.iso8601, short.end.iso8601])
        end
      end
    end
  end
end
