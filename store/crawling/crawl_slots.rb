# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Crawling
      # Which slots of a crawl are worked at the moment, and by whom.
      module CrawlSlots
        # One that wasn't heard of for so long counts as gone.
        SECONDS = 8

        module_function

        # @param crawl_id [Integer]
        # @param slot [Integer]
        # @param token [Integer] of the session
        # @param worker [String] machine and process
        # @param now [Time]
        # @return [void]
        def seen(crawl_id, slot, token, worker, now)
          Postgres::Sql.run(<<~SQL, [crawl_id, slot, worker, token, now.utc.iso8601(6)])
            INSERT INTO crawl_slots (crawl_id, slot, worker, token, seen_at) VALUES ($1, $2, $3, $4, $5)
            ON CONFLICT (crawl_id, slot) DO UPDATE SET worker = EXCLUDED.worker, token = EXCLUDED.token, seen_at =
              EXCLUDED.seen_at
          SQL
        end

        # @param crawl_id [Integer]
        # @param slot [Integer]
        # @param token [Integer]
        # @return [void]
        def left(crawl_id, slot, token) =
          Postgres::Sql.run(
            "DELETE FROM crawl_slots WHERE crawl_id = $1 AND slot = $2 AND token = $3",
            [crawl_id, slot, token]
          )

        # @param crawl_id [Integer]
        # @param now [Time]
        # @return [Array<Hash>] slot, worker
        def active(crawl_id, now) =
          Postgres::Sql.rows(
            "SELECT slot, worker FROM crawl_slots WHERE crawl_id = $1 AND seen_at > $2 ORDER BY slot",
            [crawl_id, (now - SECONDS).utc.iso8601(6)]
          )

        # @param crawl_id [Integer]
        # @param slot [Integer]
        # @return [Boolean] whether a session of this slot ended without saying so
        def crashed?(crawl_id, slot) =
          Postgres::Sql
            .run("SELECT 1 FROM crawl_slots WHERE crawl_id = $1 AND slot = $2", [crawl_id, slot])
            .ntuples
            .positive?
      end
    end
  end
end
