# frozen_string_literal: true

module IronTrellis
  module Store
    module Desk
      # Pages by what they could gain: those that are nearly on the first page for much that is searched, then those
      # that are shown most.
      class WorthWorkingOn
        MOST = 200
        ROWS = <<~SQL
          SELECT l.url_id::text, l.url, l.title, l."group", l.importance, l.clicks, l.impressions, l.position,
            coalesce(n.queries, 0)::bigint AS near_queries, coalesce(n.impressions, 0)::bigint AS near_impressions,
            d.id IS NOT NULL AS on_desk, d.draft IS NOT NULL AND d.draft <> '{}' AS drafted
          FROM %<ledger>s l LEFT JOIN (
            SELECT url_id, count(*) AS queries, sum(impressions) AS impressions FROM found_for
            WHERE run_id = $1 AND span = $2 AND position BETWEEN $3 AND $4 GROUP BY 1
          ) n USING (url_id) LEFT JOIN desk_pages d ON d.site_id = $5 AND d.url_id = l.url_id
          WHERE l.kind = 'html' AND l.status = 200 AND l.redirect_to IS NULL AND l.intent <> 'keep_out' AND
            ($6::text IS NULL OR l.url LIKE '%%' || $6 || '%%' OR l.title ILIKE '%%' || $6 || '%%')
          ORDER BY on_desk DESC, near_impressions DESC, coalesce(l.impressions, 0) DESC, l.importance DESC NULLS LAST,
            l.url LIMIT #{MOST}
        SQL
        QUERIES = <<~SQL
          SELECT (SELECT text FROM queries t WHERE t.id = f.query_id) AS query, f.clicks, f.impressions,
            round(f.position::numeric, 1)::double precision AS position
          FROM found_for f WHERE f.run_id = $1 AND f.span = $2 AND f.url_id = $3 ORDER BY f.impressions DESC LIMIT 20
        SQL

        # @param run [Judging::VerdictRun]
        # @return [WorthWorkingOn] with the site's own limits of near wins
        def self.of(run)
          limits = run.crawl.site.limits.for(nil)
          new(run, first: limits.near_win_first, last: limits.near_win_last)
        end

        # @param run [Judging::VerdictRun]
        # @param first [Float] the best position of a near win
        # @param last [Float]
        def initialize(run, first:, last:)
          @run = run
          @near = [first, last]
          # As the ledger counts clicks and impressions.
          @span = Core::Evidence::Windows::SPANS[1]
          @ledger = Postgres::Partitions.name("ledger_rows", run.id)
        end

        # @param text [String, nil] a part of the address or title
        # @return [Array<Hash>]
        def call(text = nil) =
          Postgres::Sql.rows(
            format(ROWS, ledger: @ledger),
            [@run.id, @span, *@near, @run.crawl.site_id, text.to_s.empty? ? nil : text]
          )

        # @param url_id [Integer]
        # @return [Array<Hash>] query, clicks, impressions and position, the most shown first
        def queries(url_id) = Postgres::Sql.rows(QUERIES, [@run.id, @span, url_id])
      end
    end
  end
end
