# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Evidence
      # The days for which there is evidence of a kind, and whether it is whole or a sample.
      module Days
        PUT = <<~SQL
          INSERT INTO evidence (site_id, index_id, kind, day, whole)
          SELECT $1, $2, $3, day, $5 FROM unnest($4::date[]) AS new (day)
          ON CONFLICT (site_id, index_id, kind, day) DO UPDATE SET whole = CASE WHEN $6 THEN excluded.whole ELSE
            evidence.whole END
        SQL

        module_function

        # @param import [Import]
        # @param days [Array<String>] ISO dates
        # @param whole [Boolean]
        # @param told [Boolean] whether somebody said so: else a day stays what it was
        # @return [void]
        def put(import, days, whole:, told:)
          return if days.empty?

          Postgres::Sql.run(
            PUT,
            [import.site_id, import.index_id, import.kind, Postgres::Sql.array(days), whole, told]
          )
        end

        # @param site [Sites::Site]
        # @param kind [String]
        # @param index [Index, nil]
        # @return [Array<Hash>] day and whole, the newest first
        def of(site, kind, index)
          Postgres::Sql.rows(
            "SELECT day, whole FROM evidence WHERE site_id = $1 AND kind = $2 AND index_id IS NOT DISTINCT FROM $3 " \
            "ORDER BY day DESC",
            [site.id, kind, index&.id]
          )
        end

        # @param site [Sites::Site]
        # @param kind [String]
        # @param index_id [Integer, nil]
        # @param day [Date]
        # @return [Boolean, nil] nil where there is no evidence of that day
        def whole?(site, kind, index_id, day)
          Postgres::Sql.rows(
            "SELECT whole FROM evidence WHERE site_id = $1 AND kind = $2 AND index_id IS NOT DISTINCT FROM $3 AND " \
            "day = $4",
            [site.id, kind, index_id, day.iso8601]
          ).first&.fetch("whole")
        end

        # Forgets days of which no row is left.
        #
        # @param import [Import] taken back
        # @return [void]
        def forget_empty(import)
          table = Tables.fetch(import.kind)
          Postgres::Sql.run(
            "DELETE FROM evidence e WHERE site_id = $1 AND kind = $2 AND index_id IS NOT DISTINCT FROM $3 AND NOT " \
            "EXISTS (SELECT 1 FROM #{table.name} r WHERE r.site_id = e.site_id AND r.day = e.day AND " \
            "r.superseded_by IS NULL #{"AND r.index_id = e.index_id" if table.of_index?})",
            [import.site_id, import.kind, import.index_id]
          )
        end
      end
    end
  end
end
