# frozen_string_literal: true

require "time"

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
        # The windows of the search record, a row each.
        SPANS = "unnest($3::text[], $4::date[], $5::date[]) AS w (span, first, last)"
        # How long pages took from being heard of to being in the index, by group and by the month in which they came.
        TO_INDEX = <<~SQL
          INSERT INTO to_index_rollups (run_id, "group", month, urls, days)
          SELECT $1, l."group", to_char(f.first_seen, 'YYYY-MM'), count(*),
            percentile_disc(0.5) WITHIN GROUP (ORDER BY f.first_in - f.first_seen)
          FROM (
            SELECT url_id, min(first_seen) AS first_seen, min(day) AS first_in FROM standings
            WHERE index_id = $2 AND superseded_by IS NULL AND state = '#{Core::Evidence::Standing::IN_INDEX}' AND
              first_seen IS NOT NULL
            GROUP BY 1 HAVING min(day) > (SELECT min(day) FROM evidence WHERE index_id = $2 AND kind = 'standings')
          ) f JOIN %<ledger>s l USING (url_id) GROUP BY 2, 3
        SQL
        SHORT = Core::Evidence::Windows::SPANS.first
        # Of rows of whole windows the newest counts, where the URL has no dated ones.
        WINDOW = <<~SQL
          SELECT max(o.day) FROM search_queries o
          WHERE o.index_id = s.index_id AND o.url_id = s.url_id AND o.superseded_by IS NULL HAVING NOT bool_or(o.dated)
        SQL
        FOUND_FOR = <<~SQL
          INSERT INTO found_for (run_id, span, url_id, query_id, clicks, impressions, position)
          SELECT $1, w.span, url_id, query_id, sum(clicks), sum(impressions), #{MeanPosition.sql}
          FROM search_queries s JOIN #{SPANS} ON day BETWEEN w.first AND w.last
          WHERE index_id = $2 AND superseded_by IS NULL AND (dated OR w.span <> '#{SHORT}' AND day = (#{WINDOW.strip}))
          GROUP BY 2, 3, 4 HAVING sum(impressions) > 0
        SQL
        # Pages compete for a query that have a fifth at least of what the most shown one has.
        FOUND_QUERIES = <<~SQL
          INSERT INTO found_queries (run_id, span, query_id, clicks, impressions, position, pages, competing)
          SELECT $1, span, query_id, sum(clicks), sum(impressions), #{MeanPosition.sql}, count(*),
            count(*) FILTER (WHERE impressions * 5 >= most) > 1
          FROM (
            SELECT *, max(impressions) OVER (PARTITION BY span, query_id) AS most FROM found_for WHERE run_id = $1
          ) f GROUP BY 2, 3
        SQL
        FOUND_PAGES = <<~SQL
          INSERT INTO found_pages (run_id, span, url_id, clicks, impressions, queries)
          SELECT $1, span, url_id, sum(clicks), sum(impressions), count(*)
          FROM found_for WHERE run_id = $1 GROUP BY 2, 3
        SQL
        FOUND = %w[found_for found_queries found_pages].freeze
        GROUPS = <<~SQL
          INSERT INTO group_records (run_id, span, "group", clicks, impressions, visited)
          SELECT $1, w.span, s."group", sum(w.clicks), sum(w.impressions), count(*) FILTER (WHERE w.clicks > 0)
          FROM %<evidence>s e JOIN %<stage>s s USING (url_id) CROSS JOIN LATERAL (VALUES
            ('short', e.short_clicks, e.short_impressions), ('middle', e.clicks, e.impressions),
            ('long', e.long_clicks, e.long_impressions)) AS w (span, clicks, impressions)
          WHERE #{Ledger::Scopes.document(of: "s.")} GROUP BY 2, 3
        SQL

        # @param run [Judging::VerdictRun]
        # @param basis [Core::Evidence::Basis]
        def initialize(run, basis)
          @run = run
          @basis = basis
          @names = {ledger: Postgres::Partitions.name("ledger_rows", run.id)}
        end

        # The queries that pages were found for, window by window, and what each page group brought in each. Rules read
        # of it, so it belongs before them.
        #
        # @param stage [String] the table of staged rows
        # @param evidence [String] of what evidence says
        # @return [void]
        def record(stage:, evidence:)
          spans = @basis.windows&.spans or return
          days = spans.values
          columns = [spans.keys, days.map { |one| one.begin.iso8601 }, days.map { |one| one.end.iso8601 }]
          Postgres::Sql.run(FOUND_FOR, [@run.id, @basis.index, *columns.map { |one| Postgres::Sql.array(one) }])
          [FOUND_QUERIES, FOUND_PAGES].each { |sql| Postgres::Sql.run(sql, [@run.id]) }
          # They are read at once, and joined with.
          FOUND.each { |table| Postgres::Sql.raw.exec("ANALYZE #{table}") }
          Postgres::Sql.run(format(GROUPS, stage: stage, evidence: evidence), [@run.id])
        end

        # Belongs behind the rows of the ledger.
        #
        # @return [void]
        def standings
          newest = @basis.newest_standings&.iso8601 or return
          Postgres::Sql.run(format(STANDINGS, @names), [@run.id, @basis.index, newest])
          [SILENT, TO_INDEX].each { |sql| Postgres::Sql.run(format(sql, @names), [@run.id, @basis.index]) }
        end
      end
    end
  end
end
