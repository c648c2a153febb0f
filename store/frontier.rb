# frozen_string_literal: true

module IronTrellis
  module Store
    # The URLs that one crawl knows of, and which of them are waiting, leased to a slot, done, or only known.
    class Frontier
      STATES = {waiting: 0, leased: 1, done: 2, known: 3}.freeze
      PURPOSES = {page: 0, resource: 1}.freeze

      # One leased URL.
      Item = Struct.new(:id, :url, :purpose, :depth) do
        def head? = purpose == PURPOSES[:resource]

        # @return [Core::Url::Parts]
        def parts = @parts ||= Core::Url::NormalForm.split(url)
      end

      # The lease isn't ours any more: another worker took the slot over.
      class LeaseLost < Core::Error::Conflict; end

      # A URL found again with more reason to fetch it is upgraded; one that was fetched stays as it is.
      ADD = <<~SQL
        INSERT INTO %<table>s (crawl_id, url_id, url, purpose, depth, state)
        SELECT $1, * FROM unnest($2::bigint[], $3::text[], $4::smallint[], $5::integer[], $6::smallint[])
        ON CONFLICT (url_id) DO UPDATE SET state = EXCLUDED.state, purpose = EXCLUDED.purpose, depth = EXCLUDED.depth
        WHERE %<table>s.state = #{STATES[:known]} AND EXCLUDED.state = #{STATES[:waiting]}
           OR %<table>s.state = #{STATES[:waiting]} AND EXCLUDED.state = #{STATES[:waiting]} AND EXCLUDED.purpose < %<table>s.purpose
      SQL

      # Taking from the crawl's row first makes leasing one at a time, so that the limit holds exactly. Rows that a writer
      # holds are passed over: it takes the crawl's row last, and would wait for us while we wait for it.
      TAKE = "SELECT taken FROM crawls WHERE id = $1 FOR UPDATE"
      LEASE = <<~SQL
        UPDATE %<table>s f SET state = #{STATES[:leased]}, slot = $1, lease_token = $2
        FROM (SELECT url_id FROM %<table>s WHERE state = #{STATES[:waiting]} ORDER BY depth, url_id LIMIT $3 FOR UPDATE SKIP LOCKED) chosen
        WHERE f.url_id = chosen.url_id
        RETURNING f.url_id, f.url, f.purpose, f.depth
      SQL

      # @param crawl [Crawl]
      def initialize(crawl)
        @crawl = crawl
        @table = Partitions.name("frontier", crawl.id)
      end

      # @param found [Array<Array(Integer, String, Symbol, Integer, Symbol)>] id, url, purpose, depth, state
      # @return [void]
      def add(found)
        return if found.empty?

        # One order for all workers, else two of them deadlock.
        ids, urls, purposes, depths, states = found.sort_by(&:first).transpose
        Sql.run(format(ADD, table: @table), [@crawl.id, Sql.array(ids), Sql.array(urls),
          Sql.array(purposes.map { |one| PURPOSES.fetch(one) }), Sql.array(depths), Sql.array(states.map { |one| STATES.fetch(one) })])
      end

      # @param slot [Integer]
      # @param token [Integer] by which the lease is known
      # @param count [Integer] at most
      # @param limit [Integer] of the whole crawl
      # @return [Array<Item>] nearest to the start first
      def lease(slot, token, count:, limit:)
        ActiveRecord::Base.transaction do
          taken = Sql.run(TAKE, [@crawl.id]).getvalue(0, 0).to_i
          count = [count, limit - taken].min
          next [] unless count.positive?

          rows = Sql.run(format(LEASE, table: @table), [slot, token, count]).values
          Sql.run("UPDATE crawls SET taken = taken + $2 WHERE id = $1", [@crawl.id, rows.size]) if rows.any?
          rows.map { |id, url, purpose, depth| Item.new(id.to_i, url, purpose.to_i, depth.to_i) }.sort_by { |item| [item.depth, item.id] }
        end
      end

      # Gives back what a slot holds, because its worker ended before it could be fetched.
      #
      # @param slot [Integer]
      # @return [void]
      def release(slot)
        ActiveRecord::Base.transaction do
          Sql.run(TAKE, [@crawl.id])
          freed = Sql.run("UPDATE #{@table} SET state = #{STATES[:waiting]}, lease_token = NULL WHERE state = #{STATES[:leased]} AND slot = $1", [slot]).cmd_tuples
          give_back(freed)
        end
      end

      # Closes leases; belongs into the transaction that stores what was fetched.
      #
      # @param ids [Array<Integer>]
      # @param token [Integer]
      # @return [void]
      # @raise [LeaseLost] where one of them isn't ours
      def close(ids, token)
        closed = Sql.run("UPDATE #{@table} SET state = #{STATES[:done]}, lease_token = NULL WHERE url_id = ANY($1::bigint[]) AND lease_token = $2",
          [Sql.array(ids), token]).cmd_tuples
        raise LeaseLost.new("Another worker has taken over this slot of the crawl.") unless closed == ids.size
      end

      # Takes off the limit's account what was leased but not asked for, since robots.txt blocks it.
      #
      # @param count [Integer]
      # @return [void]
      def give_back(count)
        Sql.run("UPDATE crawls SET taken = taken - $2 WHERE id = $1", [@crawl.id, count]) if count.positive?
      end

      # @return [Hash{Symbol => Integer}] number of URLs by state
      def counts
        rows = Sql.run("SELECT state, count(*) FROM #{@table} GROUP BY state").values.to_h { |state, count| [state.to_i, count.to_i] }
        STATES.transform_values { |number| rows.fetch(number, 0) }
      end
    end
  end
end
