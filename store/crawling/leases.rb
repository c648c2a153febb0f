# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Crawling
      # Which URLs of a crawl's frontier are held by which worker: lent out nearest to the start first, closed with what
      # was fetched, put off, and given back at the end of a session or when a worker died (docs/leasing.md says why it
      # is done so).
      class Leases
        STATES = FrontierStates::ALL

        # The lease isn't ours any more: another worker took the slot over.
        class Lost < Core::Error::Conflict; end

        # Taking from the crawl's row first makes leasing one at a time, so that limits hold exactly. Rows that a writer
        # holds are passed over: it takes the crawl's row last, and would wait for us while we wait for it.
        TAKE = "SELECT taken FROM crawls WHERE id = $1 FOR UPDATE"
        LEASE = <<~SQL
          UPDATE %<table>s f SET state = #{STATES[:leased]}, slot = $1, lease_token = $2
          FROM (
            SELECT w.url_id FROM unnest($3::bigint[], $4::integer[]) AS host (id, most)
            CROSS JOIN LATERAL (
              SELECT url_id FROM %<table>s WHERE host_id = host.id AND state = #{STATES[:waiting]} ORDER BY depth,
                url_id LIMIT host.most FOR UPDATE SKIP LOCKED
            ) w LIMIT $5
          ) chosen
          WHERE f.url_id = chosen.url_id
          RETURNING f.url_id, f.url, f.purpose, f.depth, f.hops, f.host_id, f.tries, f.crashes, f.space_id
        SQL
        LEASE_QUARANTINED = <<~SQL
          UPDATE %<table>s f SET state = #{STATES[:leased]}, slot = $1, lease_token = $2
          FROM (SELECT url_id FROM %<table>s WHERE state = #{STATES[:quarantined]} AND host_id = ANY($3::bigint[])
            LIMIT 1 FOR UPDATE SKIP LOCKED) chosen
          WHERE f.url_id = chosen.url_id
          RETURNING f.url_id, f.url, f.purpose, f.depth, f.hops, f.host_id, f.tries, f.crashes
        SQL

        # @param crawl [Crawl]
        def initialize(crawl)
          @crawl = crawl
          @table = Postgres::Partitions.name("frontier", crawl.id)
        end

        # @param slot [Integer]
        # @param token [Integer] by which the lease is known
        # @param counts [Hash{Integer => Integer}] by host, how many at most
        # @param limit [Integer] of the whole crawl
        # @return [Array<Frontier::Item>] nearest to the start first
        def lease(slot, token, counts:, limit:)
          ActiveRecord::Base.transaction do
            left = limit - Postgres::Sql.run(TAKE, [@crawl.id]).getvalue(0, 0).to_i
            items = left.positive? ? take(slot, token, counts, left) : []
            if items.any?
              Postgres::Sql.run("UPDATE crawls SET taken = taken + $2 WHERE id = $1", [@crawl.id, items.size])
            end
            items.sort_by { |item| [item.depth, item.id] }
          end
        end

        # @param host_ids [Array<Integer>]
        # @return [Frontier::Item, nil] one of the URLs over which workers died
        def lease_quarantined(slot, token, host_ids)
          row =
            Postgres::Sql
              .run(format(LEASE_QUARANTINED, table: @table), [slot, token, Postgres::Sql.array(host_ids)])
              .values
              .first
          row && item(row)
        end

        # Gives back what a slot holds at the orderly end of its session.
        #
        # @param slot [Integer]
        # @return [void]
        def release(slot) = free(slot, "state = #{STATES[:waiting]}")

        # Gives back what a slot holds because its worker died.
        #
        # @param slot [Integer]
        # @return [void]
        def release_after_crash(slot)
          free(
            slot,
            "crashes = crashes + 1, state = CASE WHEN crashes + " \
            "1 < #{Frontier::MOST_CRASHES} THEN #{STATES[:waiting]} ELSE #{STATES[:quarantined]} END"
          )
        end

        # Closes leases; belongs into the transaction that stores what was fetched.
        #
        # @param ids [Array<Integer>]
        # @param token [Integer]
        # @return [void]
        # @raise [Lost] where one of them isn't ours
        def close(ids, token) = change(ids, token, "state = #{STATES[:done]}")

        # Puts a URL off whose answer may be better later.
        #
        # @param ids [Array<Integer>]
        # @param token [Integer]
        # @param until_time [Time]
        # @param counted [Boolean] whether it was a try
        # @return [void]
        # @raise [Lost]
        def put_off(ids, token, until_time, counted: true)
          change(
            ids,
            token,
            "state = #{STATES[:deferred]}, tries = tries + #{counted ? 1 : 0}, not_before = $3",
            until_time.utc.iso8601(6)
          )
          give_back(ids.size)
        end

        # Takes off the limit's account what was leased but not asked for. Belongs at the end of a transaction.
        #
        # @param count [Integer]
        # @return [void]
        def give_back(count)
          Postgres::Sql.run("UPDATE crawls SET taken = taken - $2 WHERE id = $1", [@crawl.id, count]) if count.positive?
        end

        private

        def item(row)
          id, url, *numbers = row
          Frontier::Item.new(id.to_i, url, *numbers.first(6).map(&:to_i))
        end

        # A space that is full gives its URLs back as known, and others are taken instead.
        def take(slot, token, counts, left)
          loop do
            rows =
              Postgres::Sql.run(
                format(LEASE, table: @table),
                [slot, token, Postgres::Sql.array(counts.keys), Postgres::Sql.array(counts.values), left]
              ).values
            full = Spaces.overfull(@crawl.id, rows.reject { |one| one.last.nil? }.group_by(&:last))
            refuse(full) if full.any?
            kept = rows - full
            return kept.map { |one| item(one) } if kept.any? || rows.empty?
          end
        end

        def refuse(rows)
          Postgres::Sql.run(
            "UPDATE #{@table} SET state = #{STATES[:skipped]}, reason = #{Frontier::REASONS[:space]}, slot = NULL, " \
            "lease_token = " \
              "NULL WHERE url_id = ANY($1::bigint[])",
            [Postgres::Sql.array(rows.map(&:first))]
          )
        end

        def free(slot, change)
          ActiveRecord::Base.transaction do
            Postgres::Sql.run(TAKE, [@crawl.id])
            give_back(
              Postgres::Sql.run(
                "UPDATE #{@table} SET #{change}, lease_token = NULL WHERE state = #{STATES[:leased]} AND slot = $1",
                [slot]
              ).cmd_tuples
            )
          end
        end

        def change(ids, token, change, *params)
          changed =
            Postgres::Sql.run(
              "UPDATE #{@table} SET #{change}, lease_token = NULL WHERE url_id = ANY($1::bigint[]) AND lease_token " \
              "= $2",
              [Postgres::Sql.array(ids), token, *params]
            ).cmd_tuples
          raise Lost.new("Another worker has taken over this slot of the crawl.") unless changed == ids.size
        end
      end
    end
  end
end
