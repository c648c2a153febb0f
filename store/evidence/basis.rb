# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Evidence
      # What evidence there is of a site, as it is now.
      module Basis
        DAYS = <<~SQL
          SELECT kind, max(day) AS newest, max(day) FILTER (WHERE whole) AS newest_whole FROM evidence WHERE site_id =
            $1 AND (index_id IS NULL OR index_id = $2) GROUP BY kind
        SQL
        WHOLE =
          "SELECT bool_and(whole) AS whole FROM evidence WHERE index_id = $1 AND kind = $2 AND day BETWEEN $3 AND $4"
        COVERS =
          "SELECT EXISTS (SELECT 1 FROM search_pages WHERE index_id = $1 AND superseded_by IS NULL AND dated AND " \
          "day <= $2) AS covers"

        module_function

        # @param site [Sites::Site]
        # @param now [Time]
        # @param index [Index, nil] the one that counts
        # @return [Core::Evidence::Basis]
        def of(site, now:, index: Index.first_of(site))
          days = Postgres::Sql.rows(DAYS, [site.id, index&.id]).to_h { |row| [row["kind"], row] }
          newest = days.values_at("pages", "queries").compact.map { |row| row["newest"] }.max
          windows = newest && site.evidence_reading.windows(newest)
          Core::Evidence::Basis.new(
            index: index&.id,
            today: site.evidence_reading.today(now),
            standings: days.dig("standings", "newest_whole"),
            newest_standings: days.dig("standings", "newest"),
            links: days.dig("links", "newest_whole"),
            any_links: days.key?("links"),
            goals: days.key?("goals"),
            whole_goals: days.dig("goals", "newest_whole"),
            any_record: days.key?("pages"),
            windows: windows,
            **(windows ? record(index, windows) : {})
          )
        end

        def record(index, windows)
          short, middle = windows.short, windows.middle
          {
            record: whole?(index, "pages", middle),
            queries: whole?(index, "queries", middle),
            covers_short: whole?(index, "pages", short) && covers?(index, short),
            covers_middle: whole?(index, "pages", middle) && covers?(index, middle)
          }
        end

        def whole?(index, kind, window)
          Postgres::Sql.rows(WHOLE, [index.id, kind, window.begin.iso8601, window.end.iso8601]).first["whole"] || false
        end

        def covers?(index, window) = Postgres::Sql.rows(COVERS, [index.id, window.begin.iso8601]).first["covers"]
        private_class_method :record, :whole?, :covers?
      end
    end
  end
end
