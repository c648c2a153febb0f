# frozen_string_literal: true

module IronTrellis
  module Store
    module Crawling
      # The spaces of a crawl of which only so many URLs are fetched. Each has one row, which counts.
      module Spaces
        # Where a site has more spaces than this, those that come after share one for each way of growing.
        MOST = 10_000

        FIND = "SELECT id FROM crawl_spaces WHERE crawl_id = $1 AND kind = $2 AND space = $3"
        ADD = "INSERT INTO crawl_spaces (crawl_id, kind, space, most) VALUES ($1, $2, $3, $4) ON CONFLICT DO NOTHING"

        module_function

        # @param crawl_id [Integer]
        # @param kind [String]
        # @param space [String]
        # @param most [Integer]
        # @return [Integer] its id. Not to be called within a transaction: rows of spaces must not stay locked
        #   (Leases::TAKE)
        def id(crawl_id, kind, space, most)
          found = Postgres::Sql.run(FIND, [crawl_id, kind, space]).values.first
          return found.first.to_i if found

          space = "all others" if Postgres::Sql
            .run("SELECT count(*) FROM crawl_spaces WHERE crawl_id = $1", [crawl_id])
            .getvalue(0, 0)
            .to_i >= MOST
          Postgres::Sql.run(ADD, [crawl_id, kind, space, most])
          Postgres::Sql.run(FIND, [crawl_id, kind, space]).getvalue(0, 0).to_i
        end

        # Counts leased rows against their spaces; belongs into the leasing transaction.
        #
        # @param crawl_id [Integer]
        # @param rows [Hash{String => Array<Array>}] leased rows by space id
        # @return [Array<Array>] those of them for which there is no room
        def overfull(crawl_id, rows)
          rows.flat_map do |id, members|
            taken, most =
              Postgres::Sql
                .run("SELECT taken, most FROM crawl_spaces WHERE id = $1 FOR UPDATE", [id])
                .values
                .first
                .map(&:to_i)
            room = (most - taken).clamp(0, members.size)
            Postgres::Sql.run(
              "UPDATE crawl_spaces SET taken = taken + $2, full_at = CASE WHEN $3 THEN coalesce(full_at, " \
              "clock_timestamp()) END WHERE id = $1",
              [id, room, room < members.size]
            )
            members.drop(room)
          end
        end

        # @param crawl_id [Integer]
        # @return [Array<Integer>] ids of those that are full
        def full(crawl_id) =
          Postgres::Sql
            .run("SELECT id FROM crawl_spaces WHERE crawl_id = $1 AND full_at IS NOT NULL", [crawl_id])
            .column_values(0)
            .map(&:to_i)

        # @param crawl_id [Integer]
        # @return [Array<Hash>] kind, space, most, of those that are full
        def named(crawl_id)
          Postgres::Sql.rows(
            "SELECT kind, space, most FROM crawl_spaces WHERE crawl_id = $1 AND full_at IS NOT NULL ORDER BY kind, " \
            "space",
            [crawl_id]
          )
        end

        # Closes a space at what was fetched of it.
        #
        # @return [Integer] its id
        def close(crawl_id, kind, space, fetched)
          id(crawl_id, kind, space, fetched).tap do |id|
            Postgres::Sql.run("UPDATE crawl_spaces SET taken = most, full_at = clock_timestamp() WHERE id = $1", [id])
          end
        end
      end
    end
  end
end
