# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Crawling
      # The URLs that one crawl knows of, and which of them are waiting, leased to a slot, done, skipped, deferred
      # until later, or quarantined because workers died over them.
      class Frontier
        STATES = FrontierStates::ALL
        PURPOSES = {page: 0, resource: 1, external: 2}.freeze
        # Why a URL is skipped.
        REASONS = {nofollow: 0, deep: 1, kind: 2, space: 3, redirects: 4}.freeze
        # A URL that was held by so many workers when they died is fetched by itself, and given up after twice as many.
        MOST_CRASHES = 3

        # One leased URL.
        Item = Struct.new(:id, :url, :purpose, :depth, :hops, :host_id, :tries, :crashes) do
          def head? = purpose != PURPOSES[:page]

          # @return [Boolean] whether it lies on a host that is only linked to
          def external? = purpose == PURPOSES[:external]

          # @return [Boolean] whether it is to be given up instead of fetched
          def given_up? = crashes >= 2 * MOST_CRASHES

          # @return [Core::Url::Parts]
          def parts = @parts ||= Core::Url::NormalForm.split(url)
        end

        # What is offered to the frontier. `reason` says why it is not to be fetched, nil where it is.
        Entry = Struct.new(:id, :url, :purpose, :depth, :hops, :reason, :host_id, :space_id, keyword_init: true)

        # The lease isn't ours any more: another worker took the slot over.
        class LeaseLost < Core::Error::Conflict; end

        FOUND =
          "unnest($2::bigint[], $3::text[], $4::smallint[], $5::integer[], $6::smallint[], $7::smallint[], " \
          "$8::smallint[], $9::bigint[], $10::bigint[])"
        # ON CONFLICT DO UPDATE would lock every row that is there, also those that others are closing; so what is there
        # is left, and the few rows that change are asked for by themselves.
        ADD = <<~SQL
          INSERT INTO %<table>s (crawl_id, url_id, url, purpose, depth, hops, state, reason, host_id, space_id) SELECT
            $1, * FROM #{FOUND} ON CONFLICT (url_id) DO NOTHING
        SQL
        # A URL found again with more reason to fetch it is upgraded; one that was fetched stays as it is, but for what
        # it is to us (a page rather than a resource). Whatever the order in which a URL is found here and there, the
        # row ends the same.
        UPGRADE = <<~SQL
          WITH found (url_id, url, purpose, depth, hops, state, reason, host_id, space_id) AS (SELECT * FROM #{FOUND}),
            better AS (
              SELECT f.url_id FROM %<table>s f JOIN found n USING (url_id)
              WHERE $1::bigint IS NOT NULL AND n.state = #{STATES[:waiting]}
                AND (f.state = #{STATES[:skipped]} OR n.purpose < f.purpose
                  OR f.state = #{STATES[:waiting]} AND n.depth < f.depth)
              ORDER BY f.url_id FOR UPDATE OF f
            )
          UPDATE %<table>s f SET
            state = CASE WHEN f.state = #{STATES[:skipped]} THEN n.state ELSE f.state END,
            purpose = CASE WHEN f.state = #{STATES[:skipped]} THEN n.purpose ELSE least(f.purpose, n.purpose) END,
            reason = CASE WHEN f.state = #{STATES[:skipped]} THEN n.reason ELSE f.reason END,
            space_id = coalesce(f.space_id, n.space_id), depth = least(f.depth, n.depth), hops = least(f.hops, n.hops)
          FROM better JOIN found n USING (url_id) WHERE f.url_id = better.url_id
        SQL

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

        # To be called before what brought the URLs is stored, in a transaction that holds nothing else: it may wait for
        # rows that others are closing. If the facts never come the URLs do no harm, since the page will bring them
        # again.
        #
        # @param entries [Array<Entry>] each URL once
        # @return [void]
        def add(entries)
          return if entries.empty?

          # One order for all workers, else two of them deadlock.
          columns = Postgres::Sql.columns(entries.sort_by(&:id).map { |one| row(one) })
          added = Postgres::Sql.run(format(ADD, table: @table), [@crawl.id, *columns]).cmd_tuples
          Postgres::Sql.run(format(UPGRADE, table: @table), [@crawl.id, *columns]) if added < entries.size
        end

        # Adds what nothing is to be asked for any more, as far as it isn't known yet.
        #
        # @param entries [Array<Entry>] each URL once
        # @return [void]
        def add_settled(entries)
          columns = Postgres::Sql.columns(entries.sort_by(&:id).map { |one| row(one, state: STATES[:done]) })
          Postgres::Sql.run(format(ADD, table: @table), [@crawl.id, *columns])
        end

        # @param slot [Integer]
        # @param token [Integer] by which the lease is known
        # @param counts [Hash{Integer => Integer}] by host, how many at most
        # @param limit [Integer] of the whole crawl
        # @return [Array<Item>] nearest to the start first
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
        # @return [Item, nil] one of the URLs over which workers died
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
            "1 < #{MOST_CRASHES} THEN #{STATES[:waiting]} ELSE #{STATES[:quarantined]} END"
          )
        end

        # @param count [Integer]
        # @return [Boolean] whether so many URLs wait, or more
        def waiting?(count)
          Postgres::Sql.run("SELECT 1 FROM #{@table} WHERE state = #{STATES[:waiting]} LIMIT $1", [count]).ntuples ==
            count
        end

        # Closes leases; belongs into the transaction that stores what was fetched.
        #
        # @param ids [Array<Integer>]
        # @param token [Integer]
        # @return [void]
        # @raise [LeaseLost] where one of them isn't ours
        def close(ids, token) = change(ids, token, "state = #{STATES[:done]}")

        # Puts a URL off whose answer may be better later.
        #
        # @param ids [Array<Integer>]
        # @param token [Integer]
        # @param until_time [Time]
        # @param counted [Boolean] whether it was a try
        # @return [void]
        # @raise [LeaseLost]
        def put_off(ids, token, until_time, counted: true)
          change(
            ids,
            token,
            "state = #{STATES[:deferred]}, tries = tries + #{counted ? 1 : 0}, not_before = $3",
            until_time.utc.iso8601(6)
          )
          give_back(ids.size)
        end

        # Lets those wait again whose time has come.
        #
        # @param now [Time]
        # @return [void]
        def wake(now)
          Postgres::Sql.run(
            "UPDATE #{@table} SET state = #{STATES[:waiting]} WHERE state = #{STATES[:deferred]} AND not_before <= $1",
            [now.utc.iso8601(6)]
          )
        end

        # Takes off the limit's account what was leased but not asked for. Belongs at the end of a transaction.
        #
        # @param count [Integer]
        # @return [void]
        def give_back(count)
          Postgres::Sql.run("UPDATE crawls SET taken = taken - $2 WHERE id = $1", [@crawl.id, count]) if count.positive?
        end

        # Leaves out what waits below one address because its pages are all alike.
        #
        # @param prefix [String]
        # @param space_id [Integer]
        # @return [void]
        def leave_out(prefix, space_id)
          Postgres::Sql.run(
            "UPDATE #{@table} SET state = #{STATES[:skipped]}, reason = #{REASONS[:space]}, space_id = $2 WHERE " \
            "state = #{STATES[:waiting]} AND starts_with(url, $1)",
            [prefix, space_id]
          )
        end

        # Lets wait what was too deep as it was found and isn't by the shortest way.
        #
        # @param depths [Hash{Integer => Integer}] by URL id
        # @return [Integer] how many those are
        def deepen(depths)
          return 0 if depths.empty?

          Postgres::Sql.run(<<~SQL, [Postgres::Sql.array(depths.keys), Postgres::Sql.array(depths.values)]).cmd_tuples
            UPDATE #{@table} f SET state = #{STATES[:waiting]}, reason = NULL, depth = new.depth
            FROM unnest($1::bigint[], $2::integer[]) AS new (url_id, depth)
            WHERE f.url_id = new.url_id AND f.state = #{STATES[:skipped]} AND f.reason = #{REASONS[:deep]}
          SQL
        end

        # @return [Array<Integer>] ids of what was too deep as it was found
        def too_deep =
          Postgres::Sql
            .run("SELECT url_id FROM #{@table} WHERE state = #{STATES[:skipped]} AND reason = #{REASONS[:deep]}")
            .column_values(0)
            .map(&:to_i)

        # @return [Hash{Symbol => Boolean}] whether anything is in each of the states in which a crawl goes on
        def open_states
          names = %i[waiting leased deferred quarantined]
          sql =
            names.map { |name| "EXISTS (SELECT 1 FROM #{@table} WHERE state = #{STATES[name]})::integer" }.join(", ")
          names.zip(Postgres::Sql.run("SELECT #{sql}").values.first.map { |value| value.to_i == 1 }).to_h
        end

        # @return [Hash{String => Integer}] waiting URLs by depth
        def queue
          Postgres::Sql
            .run(
              "SELECT depth, count(*) FROM #{@table} WHERE state = #{STATES[:waiting]} GROUP BY depth ORDER BY depth"
            )
            .values
            .to_h { |depth, count| [depth, count.to_i] }
        end

        # @return [Hash{Symbol => Integer}] number of URLs by state
        def counts
          rows =
            Postgres::Sql
              .run("SELECT state, count(*) FROM #{@table} GROUP BY state")
              .values
              .to_h { |state, count| [state.to_i, count.to_i] }
          STATES.transform_values { |number| rows.fetch(number, 0) }
        end

        private

        def row(entry, state: STATES[entry.reason ? :skipped : :waiting])
          [
            entry.id,
            entry.url,
            PURPOSES.fetch(entry.purpose),
            entry.depth,
            entry.hops || 0,
            state,
            entry.reason && REASONS.fetch(entry.reason),
            entry.host_id,
            entry.space_id
          ]
        end

        def item(row)
          id, url, *numbers = row
          Item.new(id.to_i, url, *numbers.first(6).map(&:to_i))
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
            "UPDATE #{@table} SET state = #{STATES[:skipped]}, reason = #{REASONS[:space]}, slot = NULL, " \
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
          raise LeaseLost.new("Another worker has taken over this slot of the crawl.") unless changed == ids.size
        end
      end
    end
  end
end
