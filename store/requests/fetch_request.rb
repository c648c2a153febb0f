# frozen_string_literal: true

module IronTrellis
  module Store
    module Requests
      # One URL that an index is to fetch again: it waits, was asked for, was refused, or was passed over since the
      # index came by itself.
      class FetchRequest < Postgres::Record
        self.table_name = "fetch_requests"

        WAITING = "waiting"
        ASKED = "asked"
        REFUSED = "refused"
        SKIPPED = "skipped"
        MOST = 500
        # What became of those that were asked for: fetched since, in the index or not, after how many days.
        OUTCOMES = <<~SQL
          SELECT r.id, s.state AS standing, s.last_fetched,
            CASE WHEN s.last_fetched >= r.asked_at::date THEN s.last_fetched - r.asked_at::date END AS days
          FROM fetch_requests r LEFT JOIN LATERAL (
            SELECT state, last_fetched FROM standings s WHERE s.index_id = r.index_id AND s.url_id = r.url_id AND
              s.superseded_by IS NULL ORDER BY day DESC LIMIT 1
          ) s ON true
          WHERE r.id = ANY($1::bigint[])
        SQL

        belongs_to :site, class_name: "IronTrellis::Store::Sites::Site"
        belongs_to :index, class_name: "IronTrellis::Store::Evidence::Index"

        class << self
          # @param index [Evidence::Index]
          # @return [ActiveRecord::Relation]
          def waiting(index) = where(index_id: index.id, state: WAITING)

          # @param index [Evidence::Index]
          # @param day [Date]
          # @return [Integer] how many were asked for on that day
          def used(index, day) = where(index_id: index.id, state: ASKED, asked_at: day.all_day).count

          # @param ids [Array<Integer>]
          # @return [Hash{Integer => Hash}] standing, last_fetched and days
          def outcomes(ids) =
            Postgres::Sql.rows(OUTCOMES, [Postgres::Sql.array(ids)]).to_h { |row| [row["id"], row.except("id")] }
        end
      end
    end
  end
end
