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
        # A URL that was held by so many workers when they died is fetched by itself, and given up after twice as many.
        MOST_CRASHES = 3
        # Why a URL is skipped.
        REASONS = {nofollow: 0, deep: 1, kind: 2, space: 3, redirects: 4}.freeze
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

        # @param count [Integer]
        # @return [Boolean] whether so many URLs wait, or more
        def waiting?(count)
          Postgres::Sql.run("SELECT 1 FROM #{@table} WHERE state = #{STATES[:waiting]} LIMIT $1", [count]).ntuples ==
            count
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
      end
    end
  end
end
