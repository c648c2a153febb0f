# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Standing
      # Where the pages of a site stood, evidence by evidence, with what happened meanwhile.
      class History
        MOST_DECISIONS = 200
        MOST_WAYS = 60

        # @param run [Judging::VerdictRun]
        # @param group [String, nil] nil for all
        def initialize(run, group: nil)
          @run = run
          @group = group
        end

        # @return [Hash] days ([{day, states, useless}]), growth (Core::Evidence::Growth::Told, nil), crawls, decisions
        #   (marks on the axis), to_index ([{group, month, urls, days}])
        def call
          rows =
            Postgres::Sql.rows(
              'SELECT day, "group", standing, sum(urls)::bigint AS urls, sum(useless)::bigint AS useless FROM ' \
                'standing_rollups WHERE run_id = $1 AND ($2::text IS NULL OR "group" = $2) GROUP BY 1, 2, 3 ORDER BY 1',
              [@run.id, @group]
            )
          by_day = rows.group_by { |row| row["day"] }
          {
            days: by_day.map { |day, all| of_day(day, all) },
            growth: growth(by_day)&.to_h,
            crawls: crawls,
            decisions: decisions,
            to_index: to_index
          }
        end

        private

        def of_day(day, rows)
          {
            day: day.iso8601,
            states: rows.group_by { |row| row["standing"] }.transform_values { |all| all.sum { |row| row["urls"] } },
            useless: inside(rows).sum { |row| row["useless"] }
          }
        end

        def inside(rows) = rows.select { |row| row["standing"] == Core::Evidence::Standing::IN_INDEX }

        def growth(by_day)
          Core::Evidence::Growth.of(
            by_day.map { |day, rows| [day, inside(rows).to_h { |row| [row["group"], row["useless"]] }] }
          )
        end

        def crawls
          @run
            .crawl
            .site
            .crawls
            .where.not(finished_at: nil)
            .reverse
            .map { |crawl| {number: crawl.number, at: crawl.finished_at.iso8601} }
        end

        def decisions
          Postgres::Sql
            .rows(
              "SELECT made_at::date AS day, kind, count(*) AS count FROM decisions WHERE site_id = $1 AND " \
                "undone_at IS NULL GROUP BY 1, 2 ORDER BY 1 LIMIT #{MOST_DECISIONS}",
              [@run.crawl.site_id]
            )
            .map { |row| row.merge("day" => row["day"].iso8601) }
        end

        def to_index =
          Postgres::Sql.rows(
            'SELECT "group", month, urls, days FROM to_index_rollups WHERE run_id = $1 AND ' \
              "($2::text IS NULL OR \"group\" = $2) ORDER BY month DESC, urls DESC LIMIT #{MOST_WAYS}",
            [@run.id, @group]
          )
      end
    end
  end
end
