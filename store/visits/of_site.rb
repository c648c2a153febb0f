# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Visits
      # What crawlers fetched of a site, by its access logs: by day, status and group, what was spent on what is of no
      # use, and which pages that should be indexed were never fetched.
      class OfSite
        MOST_UNSEEN = 100
        # What a fetch was spent on.
        SPENT = <<~SQL.tr("\n", " ")
          CASE WHEN h.status BETWEEN 300 AND 399 THEN 'redirect' WHEN h.status IN (404, 410) THEN 'missing'
            WHEN h.status >= 500 THEN 'failing' WHEN l.intent = 'keep_out' THEN 'kept_out' WHEN l.wanted THEN 'wanted'
            ELSE 'other' END
        SQL
        FROM =
          "FROM log_hits h LEFT JOIN %<ledger>s l USING (url_id) WHERE h.site_id = $1 AND h.superseded_by IS NULL " \
            "AND ($2::text IS NULL OR h.agent = $2)"
        AGENTS = <<~SQL
          SELECT agent, sum(requests)::bigint AS requests,
            coalesce(sum(requests) FILTER (WHERE verified), 0)::bigint AS verified, min(day) AS from, max(day) AS to
          FROM log_hits WHERE site_id = $1 AND superseded_by IS NULL GROUP BY 1 ORDER BY 2 DESC
        SQL
        UNSEEN = <<~SQL
          SELECT l.url_id, l.url, l.importance, count(*) OVER () AS total FROM %<ledger>s l
          WHERE l.wanted AND l.indexable AND NOT EXISTS (SELECT 1 FROM log_hits h WHERE h.site_id = $1 AND
            h.url_id = l.url_id AND h.superseded_by IS NULL AND ($2::text IS NULL OR h.agent = $2))
          ORDER BY l.importance DESC NULLS LAST, l.url LIMIT #{MOST_UNSEEN}
        SQL

        # @param run [Judging::VerdictRun]
        # @param agent [String, nil] nil for all
        def initialize(run, agent: nil)
          @run = run
          @params = [run.crawl.site_id, agent]
          @ledger = Postgres::Partitions.name("ledger_rows", run.id)
        end

        # @return [Hash] agents, days ([{day, spent ({what => requests})}]), statuses, groups, spent, unseen (total,
        # rows)
        def call
          {
            agents: agents,
            days: days,
            statuses: counted("h.status AS key"),
            groups: counted("coalesce(l.\"group\", 'not in the crawl') AS key"),
            spent: counted("#{SPENT} AS key"),
            unseen: unseen
          }
        end

        private

        def from = format(FROM, ledger: @ledger)

        def counted(key) =
          Postgres::Sql.rows(
            "SELECT #{key}, sum(h.requests)::bigint AS requests, count(DISTINCT h.url_id) AS urls #{from} GROUP BY 1 " \
              "ORDER BY 2 DESC",
            @params
          )

        def days
          rows =
            Postgres::Sql.rows(
              "SELECT h.day, #{SPENT} AS key, sum(h.requests)::bigint AS requests #{from} GROUP BY 1, 2 ORDER BY 1",
              @params
            )
          rows
            .group_by { |row| row["day"] }
            .map { |day, all| {day: day.iso8601, spent: all.to_h { |row| row.values_at("key", "requests") }} }
        end

        def agents =
          Postgres::Sql
            .rows(AGENTS, [@params.first])
            .map { |row| row.merge("from" => row["from"].iso8601, "to" => row["to"].iso8601) }

        def unseen
          rows = Postgres::Sql.rows(format(UNSEEN, ledger: @ledger), @params)
          {
            total: rows.first&.fetch("total") || 0,
            rows: rows.map { |row| row.except("total").merge("url_id" => row["url_id"].to_s) }
          }
        end
      end
    end
  end
end
