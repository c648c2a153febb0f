# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Crawling
      # Hosts of a crawl that can't be reached at the moment: they are waited for, all workers together, before what
      # they hold is said to give no answer.
      class Outages
        # How long a host is waited for that answered before, and one that never did.
        PATIENCE_SECONDS = 60
        FIRST_SECONDS = 4
        # Between two tries: as long as it has been away, within these.
        WAITS = (0.5..10.0)

        AWAY = <<~SQL
          UPDATE crawl_hosts h SET away_since = coalesce(away_since, $2) WHERE id = $1
          RETURNING extract(epoch FROM $2::timestamptz - away_since) AS seconds, gone,
            EXISTS (SELECT 1 FROM host_counters c WHERE c.host_id = h.id AND c.fetched > c.failed) AS answered
        SQL
        BACK = <<~SQL
          UPDATE crawl_hosts SET away_since = NULL, gone = false, outages = outages ||
            jsonb_build_array(jsonb_build_object('from', away_since, 'to', $2::timestamptz))
          WHERE id = ANY($1::bigint[]) AND away_since IS NOT NULL
        SQL

        # @param crawl [Crawl]
        def initialize(crawl)
          @crawl = crawl
          refresh
        end

        # To be called now and then: other workers see outages, too.
        #
        # @return [void]
        def refresh
          rows =
            Postgres::Sql.rows(
              "SELECT id, authority, gone FROM crawl_hosts WHERE crawl_id = $1 AND away_since IS NOT NULL",
              [@crawl.id]
            )
          @away = rows.to_h { |row| [row["id"], true] }
          @gone = rows.select { |row| row["gone"] }.to_h { |row| [row["authority"], true] }
        end

        # @param authority [String]
        # @return [Boolean] whether it isn't waited for any longer. Threads may ask.
        def gone?(authority) = @gone.key?(authority)

        # A host couldn't be reached.
        #
        # @param host_id [Integer]
        # @param now [Time]
        # @return [Float, nil] seconds until it is tried again; nil where it was waited for long enough
        def away(host_id, now)
          row = Postgres::Sql.rows(AWAY, [host_id, now.utc.iso8601(6)]).first
          @away[host_id] = true
          seconds = row["seconds"].to_f
          if !row["gone"] && seconds < (row["answered"] ? PATIENCE_SECONDS : FIRST_SECONDS)
            return seconds.clamp(WAITS.begin, WAITS.end)
          end

          Postgres::Sql.run("UPDATE crawl_hosts SET gone = true WHERE id = $1", [host_id])
          refresh
          nil
        end

        # Hosts answered.
        #
        # @param host_ids [Array<Integer>]
        # @param now [Time]
        # @return [void]
        def back(host_ids, now)
          known = host_ids.select { |id| @away.key?(id) }
          return if known.empty?

          Postgres::Sql.run(BACK, [Postgres::Sql.array(known), now.utc.iso8601(6)])
          refresh
        end

        # @param crawl_id [Integer]
        # @return [Array<Hash>] authority, from, to (nil where it didn't come back), in the order of time
        def self.of(crawl_id)
          Postgres::Sql.rows(<<~SQL, [crawl_id])
            SELECT h.authority, o ->> 'from' AS "from", o ->> 'to' AS "to" FROM crawl_hosts h,
              jsonb_array_elements(h.outages) o WHERE h.crawl_id = $1
            UNION ALL SELECT authority, to_jsonb(away_since) #>> '{}', NULL FROM crawl_hosts
              WHERE crawl_id = $1 AND away_since IS NOT NULL AND EXISTS (SELECT 1 FROM host_counters c WHERE c.host_id =
                crawl_hosts.id AND c.fetched > c.failed)
            ORDER BY 2, 1
          SQL
        end
      end
    end
  end
end
