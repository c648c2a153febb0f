# frozen_string_literal: true

require "date"
require "time"

module IronTrellis
  module Store
    module Evidence
      # All that evidence says of one URL: for its dossier.
      class OfPage
        MOST_QUERIES = 20
        MOST_LINKS = 50
        # Day by day, as no index is by URL alone.
        STANDINGS = <<~SQL
          SELECT s.day, i.name AS index, s.state, s.reason, s.found_by, s.first_seen, s.last_fetched, s.chosen_canonical
          FROM indexes i JOIN evidence e ON e.index_id = i.id AND e.kind = 'standings'
          JOIN standings s ON s.index_id = i.id AND s.day = e.day AND s.url_id = $2 AND s.superseded_by IS NULL
          WHERE i.site_id = $1 ORDER BY s.day DESC, i.id LIMIT 120
        SQL
        MONTHS = <<~SQL
          SELECT to_char(day, 'YYYY-MM') AS month, sum(clicks)::bigint AS clicks, sum(impressions)::bigint AS
            impressions, #{MeanPosition.sql} AS position
          FROM search_pages WHERE index_id = $1 AND url_id = $2 AND superseded_by IS NULL AND dated
          GROUP BY 1 ORDER BY 1
        SQL
        QUERIES = <<~SQL
          SELECT t.text AS query, f.clicks, f.impressions, f.position
          FROM found_for f JOIN queries t ON t.id = f.query_id
          WHERE f.run_id = $1 AND f.span = '#{Core::Evidence::Windows::SPANS.first}' AND f.url_id = $2
          ORDER BY f.impressions DESC LIMIT #{MOST_QUERIES}
        SQL
        LINKS = <<~SQL
          SELECT source, anchor, more, day FROM outside_links
          WHERE site_id = $1 AND target_id = $2 AND superseded_by IS NULL ORDER BY day DESC, source LIMIT #{MOST_LINKS}
        SQL
        VISITS = <<~SQL
          SELECT agent, bool_or(verified) AS verified, sum(requests)::bigint AS requests, max(day) AS last,
            (array_agg(status ORDER BY day DESC))[1] AS status
          FROM log_hits WHERE site_id = $1 AND url_id = $2 AND superseded_by IS NULL GROUP BY 1 ORDER BY 3 DESC
        SQL
        HIDES = <<~SQL
          SELECT i.name AS index, h.asked_on, h.ends_on, h.only_copy
          FROM index_hides h JOIN indexes i ON i.id = h.index_id WHERE i.site_id = $1 AND h.url_id = $2
        SQL
        REQUESTS = <<~SQL
          SELECT i.name AS index, r.asked_on, r.state FROM index_requests r JOIN indexes i ON i.id = r.index_id
          WHERE i.site_id = $1 AND r.url = $2 ORDER BY r.asked_on DESC
        SQL
        MOVING_SINCE = <<~SQL
          SELECT min(s.day) AS day FROM evidence e
          JOIN standings s ON s.index_id = e.index_id AND s.day = e.day AND s.url_id = $2 AND s.superseded_by IS NULL
          WHERE e.index_id = $1 AND e.kind = 'standings' AND s.state = '#{Core::Evidence::Standing::MOVED}'
        SQL

        # @param run [Judging::VerdictRun]
        # @param url_id [Integer]
        def initialize(run, url_id)
          @run = run
          @id = url_id
          @site_id = run.crawl.site_id
          @row =
            Postgres::Sql.rows(
              "SELECT * FROM #{Postgres::Partitions.name("ledger_rows", run.id)} WHERE url_id = $1",
              [url_id]
            ).first || raise(Core::Error::NotFound.new("The crawl knows no such URL."))
        end

        # @return [String] its address
        def url = @row["url"]

        # @return [Hash] for JSON
        def call
          index = @run.evidence["index"]
          {
            url: url,
            askable: Index.where(id: index).where.not(address: nil).exists?,
            now: @row.slice(*Core::Ledger::Registry.of(:evidence)),
            declared_canonical: @row["canonical"],
            standings: asked(STANDINGS, [@site_id, @id]),
            months: index ? asked(MONTHS, [index, @id]) : [],
            queries: asked(QUERIES, [@run.id, @id]),
            outside_links: asked(LINKS, [@site_id, @id]),
            visits: asked(VISITS, [@site_id, @id]),
            hides: asked(HIDES, [@site_id, @id]),
            requests: asked(REQUESTS, [@site_id, @row["url"]]),
            moved: moved(index)
          }
        end

        private

        def asked(sql, params) =
          Postgres::Sql.rows(sql, params).map { |row| row.transform_values { |one| written(one) } }

        def written(value) = value.is_a?(Date) ? value.iso8601 : value

        # Whether the address that it moved to takes over what it had, and since when it moves.
        def moved(index)
          target = @row["final_url"]
          return if index.nil? || @row["redirect_to"].nil? || target.nil? || target == @row["url"]

          id = Core::Url::NormalForm.id(@site_id, target)
          since = Postgres::Sql.rows(MOVING_SINCE, [index, @id]).first["day"]
          {to: target, since: since&.iso8601, months: asked(MONTHS, [index, id])}
        end
      end
    end
  end
end
