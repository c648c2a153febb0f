# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Crawling
      # The hosts of a crawl, and the slots that let workers make requests to them. The database's own clock judges the
      # leases, since those of several machines may differ.
      class Hosts
        # A lease that isn't renewed for so long may be taken over. A worker stops asking a while before.
        LEASE_SECONDS = 8.0
        MOST_AT_ONCE = 64

        # One slot of a host; wait is how many seconds its next request must be held back.
        Held = Struct.new(:host_id, :slot, :wait, :fresh)

        WITH_WORK = <<~SQL
          SELECT h.id, h.authority FROM crawl_hosts h
          WHERE h.crawl_id = $1 AND (h.paused_until IS NULL OR h.paused_until <= $2)
            AND (EXISTS (SELECT 1 FROM %<frontier>s f WHERE f.host_id = h.id AND f.state =
              #{Frontier::STATES[:waiting]})
              OR EXISTS (SELECT 1 FROM %<frontier>s f WHERE f.host_id = h.id AND f.state =
                #{Frontier::STATES[:quarantined]})
              OR EXISTS (SELECT 1 FROM sitemap_files s WHERE s.host_id = h.id AND s.state = 'waiting')
              OR EXISTS (SELECT 1 FROM host_probes p WHERE p.host_id = h.id AND p.state = 'waiting'))
          LIMIT #{MOST_AT_ONCE}
        SQL
        FREE = <<~SQL
          SELECT slot, lease_token IS NOT NULL AS lapsed, lease_token IS NULL AND not_before IS NULL AS fresh,
            greatest(extract(epoch FROM not_before - clock_timestamp()), 0) AS wait FROM host_slots
          WHERE host_id = $1 AND (lease_token IS NULL OR leased_until < clock_timestamp()) ORDER BY not_before NULLS
            FIRST LIMIT $2 FOR UPDATE SKIP LOCKED
        SQL

        # @param crawl [Crawl]
        def initialize(crawl)
          @crawl = crawl
          @ids = {}
        end

        # @param authority [String]
        # @return [Integer] the host's id
        def id(authority)
          @ids[authority] ||= find(authority) || begin
            Postgres::Sql.run(
              "INSERT INTO crawl_hosts (crawl_id, authority) VALUES ($1, $2) ON CONFLICT DO NOTHING",
              [@crawl.id, authority]
            )
            find(authority)
          end
        end

        # @param now [Time]
        # @return [Hash{Integer => String}] authorities of hosts that have URLs waiting and aren't paused
        def with_work(now)
          Postgres::Sql
            .run(
              format(WITH_WORK, frontier: Postgres::Partitions.name("frontier", @crawl.id)),
              [@crawl.id, now.utc.iso8601(6)]
            )
            .values
            .to_h { |id, authority| [id.to_i, authority] }
        end

        # @param host_id [Integer]
        # @param count [Integer] how many slots at most
        # @param of [Integer] how many the host has
        # @param token [Integer]
        # @param gap [Float] seconds that one slot leaves between requests: what a lapsed one must still wait, as nobody
        #   knows its last
        # @return [Array<Held>]
        def take(host_id, count, of:, token:, gap:)
          ActiveRecord::Base.transaction do
            Postgres::Sql.run(
              "INSERT INTO host_slots (host_id, slot) SELECT $1, generate_series(0, $2 - 1) ON CONFLICT DO NOTHING",
              [host_id, of]
            )
            rows = Postgres::Sql.rows(FREE, [host_id, count])
            hold(host_id, rows.map { |row| row["slot"] }, token)
            rows.map do |row|
              Held.new(host_id, row["slot"], row["lapsed"] ? gap : row["wait"].to_f, row["fresh"])
            end
          end
        end

        # @param token [Integer]
        # @return [Hash{Integer => Array<Integer>}] the slots that are still held under it, by host: others may have
        #   been taken over when nothing was heard in time
        def renew(token)
          rows =
            Postgres::Sql.run(
              "UPDATE host_slots SET leased_until = clock_timestamp() + $2 * interval '1 second' WHERE lease_token = " \
              "$1 AND host_id IN (SELECT id FROM crawl_hosts WHERE crawl_id = $3) RETURNING host_id, slot",
              [token, LEASE_SECONDS, @crawl.id]
            ).values
          rows.each_with_object(Hash.new { |held, host| held[host] = [] }) do |(host_id, slot), held|
            held[host_id.to_i] << slot.to_i
          end
        end

        # @param slots [Array<Held>] to be given back, each with what it must wait
        # @param token [Integer]
        # @return [void]
        def give_back(slots, token)
          slots.each do |one|
            Postgres::Sql.run(
              "UPDATE host_slots SET lease_token = NULL, leased_until = NULL, not_before = clock_timestamp() + $4 * " \
              "interval '1 second' WHERE host_id = $1 AND slot = $2 AND lease_token = $3",
              [one.host_id, one.slot, token, one.wait]
            )
          end
        end

        # The host asked for patience.
        #
        # @param host_id [Integer]
        # @param until_time [Time]
        # @return [void]
        def pause(host_id, until_time)
          Postgres::Sql.run(
            "UPDATE crawl_hosts SET paused_until = greatest(paused_until, $2) WHERE id = $1",
            [host_id, until_time.utc.iso8601(6)]
          )
        end

        # @param slot [Integer] of the crawl
        # @param sums [Hash{Integer => Array(Integer, Integer, Integer)}] by host: fetched, failed, milliseconds
        # @return [void]
        def count(slot, sums)
          sums.sort.each do |host_id, (fetched, failed, milliseconds)|
            Postgres::Sql.run(<<~SQL, [host_id, slot, fetched, failed, milliseconds])
              INSERT INTO host_counters (host_id, slot, fetched, failed, milliseconds) VALUES ($1, $2, $3, $4, $5)
              ON CONFLICT (host_id, slot) DO UPDATE SET fetched = host_counters.fetched + EXCLUDED.fetched, failed =
                host_counters.failed + EXCLUDED.failed,
                milliseconds = host_counters.milliseconds + EXCLUDED.milliseconds
            SQL
          end
        end

        private

        def find(authority) =
          Postgres::Sql
            .run("SELECT id FROM crawl_hosts WHERE crawl_id = $1 AND authority = $2", [@crawl.id, authority])
            .values
            .first
            &.first
            &.to_i

        def hold(host_id, slots, token)
          Postgres::Sql.run(
            "UPDATE host_slots SET lease_token = $3, leased_until = clock_timestamp() + $4 * interval '1 second' " \
            "WHERE host_id = $1 AND slot = ANY($2::integer[])",
            [host_id, Postgres::Sql.array(slots), token, LEASE_SECONDS]
          )
        end
      end
    end
  end
end
