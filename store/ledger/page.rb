# frozen_string_literal: true

require "base64"
require "json"

module IronTrellis
  module Store
    module Ledger
      # Rows of the ledger of one run that meet the conditions, sorted, a page at a time. Pages go on from the last row's
      # key (value, id), so a deep page costs no more than the first; empty values come last in both directions.
      class Page
        MOST = 500

        # @param run [VerdictRun]
        # @param conditions [Conditions]
        # @param sort [String] a sortable column, with "-" in front for descending
        # @param after [String, nil] the cursor that the page before gave
        # @param limit [Integer]
        # @raise [Core::Error::InvalidInput]
        def initialize(run, conditions:, sort: "url", after: nil, limit: 100)
          @run = run
          @conditions = conditions
          @column, @descending = Fields.sort(sort)
          @after = after && decode(after)
          @limit = limit.clamp(1, MOST)
        end

        # @return [Hash] rows (by column, the id as a string) and next (a cursor, nil on the last page)
        def call
          params = @conditions.params.dup
          rows = Sql.rows(<<~SQL, params.concat(key_params))
            SELECT url_id, #{columns} FROM #{table}
            WHERE #{@conditions.sql} AND #{beyond(@conditions.params.size)}
            ORDER BY "#{@column}" #{"DESC" if @descending} NULLS LAST, url_id
            LIMIT #{@limit + 1}
          SQL
          more = rows.size > @limit
          rows = rows.first(@limit)
          {rows: rows.map { |row| row.merge("url_id" => row["url_id"].to_s) }, next: more ? encode(rows.last) : nil}
        end

        private

        def table = Partitions.name("ledger_rows", @run.id)

        def columns = Fields::KINDS.keys.map { |name| %("#{name}") }.join(", ")

        def key_params
          return [] unless @after

          @after[0].nil? ? [@after[1]] : @after
        end

        def beyond(taken)
          return "true" unless @after
          return %("#{@column}" IS NULL AND url_id > $#{taken + 1}::bigint) if @after[0].nil?

          value = "$#{taken + 1}::#{(@column == "url") ? "text" : "bigint"}"
          sign = @descending ? "<" : ">"
          %(("#{@column}" #{sign} #{value} OR "#{@column}" IS NULL OR ("#{@column}" = #{value} AND url_id > $#{taken + 2}::bigint)))
        end

        def encode(row) = Base64.urlsafe_encode64(JSON.generate([row[@column], row["url_id"].to_s]), padding: false)

        def decode(cursor)
          value, id = JSON.parse(Base64.urlsafe_decode64(cursor))
          [value, Integer(id)]
        rescue ArgumentError, JSON::ParserError, TypeError
          raise Core::Error::InvalidInput.new("The cursor “after” isn't one that this list gave. Start from the first page.")
        end
      end
    end
  end
end
