# frozen_string_literal: true

require "base64"
require "json"

module IronTrellis
  module Store
    module Ledger
      # Rows of the ledger of one run that meet the conditions, sorted, a page at a time. Pages go on from the last
      # row's key (value, id), so a deep page costs no more than the first; empty values come last in both directions.
      class Page
        MOST = 500

        # @param run [Judging::VerdictRun]
        # @param conditions [Conditions]
        # @param sort [String] a column, with "-" in front for descending
        # @param after [String, nil] the cursor that the page before gave
        # @param limit [Integer]
        # @raise [Core::Error::InvalidInput]
        def initialize(run, conditions:, sort: "url", after: nil, limit: 100)
          @run = run
          @conditions = conditions
          @order = Order.new(sort)
          @after = after && begin_behind(after)
          @limit = limit.clamp(1, MOST)
        end

        # Rows without a value come after all others. They are asked for by themselves, so that an index serves either
        # part.
        #
        # @return [Hash] rows (by column, the id as a string) and next (a cursor, nil on the last page)
        # @raise [Core::Error::TooMuch] where sorting takes too long
        def call
          wanted = @limit + 1
          rows = @order.bounded { past_values? ? [] : valued(wanted) }
          rows += @order.bounded { unvalued(wanted - rows.size) } if rows.size < wanted
          page = rows.first(@limit)
          {
            rows: page.map { |row| row.except("sort_key").merge("url_id" => row["url_id"].to_s) },
            next: (rows.size > @limit) ? encode(page.last) : nil
          }
        end

        private

        # @return [Boolean] whether the last page ended among the rows without a value
        def past_values? = !@after.nil? && @after[0].nil?

        def valued(wanted)
          key, direction = @order.key, @order.direction
          beyond = if @after
            "(#{key}, url_id) #{@order.descending? ? "<" : ">"} ($%<next>d::#{@order.type}, $%<last>d::bigint)"
          else
            "true"
          end
          select("#{key} IS NOT NULL AND #{beyond}", @after || [], "#{key} #{direction}, url_id #{direction}", wanted)
        end

        def unvalued(wanted)
          return select("#{@order.key} IS NULL", [], "url_id", wanted) unless past_values?

          select("#{@order.key} IS NULL AND url_id > $%<next>d::bigint", [@after[1]], "url_id", wanted)
        end

        # @param what [String] a condition, whose further parameters are %<next>d and %<last>d
        def select(what, more, order, wanted)
          taken = @conditions.params.size
          Postgres::Sql.rows(<<~SQL, @conditions.params + more)
            SELECT url_id, #{columns}, (#{@order.key})::text AS sort_key FROM
              #{Postgres::Partitions.name("ledger_rows", @run.id)}
            WHERE #{@conditions.sql} AND #{format(what, next: taken + 1, last: taken + 2)} ORDER BY #{order} LIMIT
              #{wanted}
          SQL
        end

        def columns = Fields.names.map { |name| %("#{name}") }.join(", ")

        def encode(row) =
          Base64.urlsafe_encode64(JSON.generate([@run.id, row["sort_key"], row["url_id"].to_s]), padding: false)

        # A list goes on in the run in which it began, so that no page mixes two.
        def begin_behind(cursor)
          run, value, id = decode(cursor)
          @run = @run.crawl.verdict_runs.where.not(finished_at: nil).find_by(id: run) unless run == @run.id
          return [value, id] if @run

          raise Core::Error::Conflict.new(
                  "The verdicts were worked out anew meanwhile, and those that this list began with are gone. Load " \
                  "it again from its start."
                )
        end

        def decode(cursor)
          run, value, id = JSON.parse(Base64.urlsafe_decode64(cursor))
          unless [String, NilClass].any? { |type| value.is_a?(type) } && Core::Id.valid?(run) && Core::Id.valid?(id)
            raise TypeError
          end

          [Integer(run), value, Integer(id)]
        rescue ArgumentError, JSON::ParserError, TypeError
          raise Core::Error::InvalidInput.new(
                  "The cursor “after” isn't one that this list gave. Start from the first page."
                )
        end
      end
    end
  end
end
