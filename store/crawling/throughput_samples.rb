# frozen_string_literal: true

require "json"
require "time"

module IronTrellis
  module Store
    module Crawling
      # How fast a slot of a crawl fetches, noted every few seconds, and how many URLs wait.
      class ThroughputSamples
        SECONDS = 2
        # The queue is counted by one slot, for all.
        COUNTING_SLOT = 0

        # @param crawl [Crawl]
        # @param slot [Integer]
        def initialize(crawl, slot:)
          @crawl = crawl
          @slot = slot
          @fetched = 0
        end

        # @param fetched [Integer] since the last call
        # @return [void]
        def count(fetched) = @fetched += fetched

        # @param now [Time]
        # @return [void]
        def call(now)
          return if @last && now - @last < SECONDS

          @last = now
          finish(now)
          note_queue if @slot == COUNTING_SLOT
        end

        # Notes what was counted since.
        #
        # @param now [Time]
        # @return [void]
        def finish(now)
          if @fetched.positive?
            Postgres::Sql.run(
              "INSERT INTO crawl_beats (crawl_id, slot, at, fetched) VALUES ($1, $2, $3, $4)",
              [@crawl.id, @slot, now.utc.iso8601(3), @fetched]
            )
          end
          @fetched = 0
        end

        private

        def note_queue =
          Postgres::Sql.run(
            "UPDATE crawls SET waiting_by_depth = $2 WHERE id = $1",
            [@crawl.id, JSON.generate(@crawl.frontier.queue)]
          )
      end
    end
  end
end
