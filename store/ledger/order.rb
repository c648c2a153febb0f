# frozen_string_literal: true

module IronTrellis
  module Store
    module Ledger
      # An order of the ledger: by any column, upwards or downwards, then by id. Empty values come last in both
      # directions.
      class Order
        # So long may a page of an order take that no index serves.
        MOST_SECONDS = 8
        # By so much of a text it is kept in order.
        KEY_CHARS = 500

        attr_reader :column

        # @param text [String] a column, with "-" in front for descending
        # @raise [Core::Error::InvalidInput]
        def initialize(text)
          @column = text.delete_prefix("-")
          @descending = text.start_with?("-")
          @declared = Core::Ledger::Registry.fetch(@column)
          @kind = @declared.kind
        end

        # @return [Boolean]
        def descending? = @descending

        # @return [Boolean] whether any page of it is found at once, however large the ledger is
        def indexed? = @declared.indexed || false

        # @return [String] an SQL expression, NULL where there is nothing to sort by
        def key
          case @kind
          when :list
            if @declared.counted
              "nullif(cardinality(#{quoted}), 0)"
            else
              "nullif(array_to_string(#{quoted}, ' '), '')"
            end
          when :flag
            "#{quoted}::integer"
            # A row of an index holds some 2,700 bytes, an address may have 8,000.
          when :text, :set
            indexed? ? "left(#{quoted}, #{KEY_CHARS})" : "nullif(#{quoted}, '')"
          else
            quoted
          end
        end

        # @return [String] the type of the key in the database
        def type
          case @kind
          when :number then @declared.fraction? ? "double precision" : "bigint"
          when :flag then "bigint"
          when :date then "timestamptz"
          else (@kind == :list && @declared.counted) ? "bigint" : "text"
          end
        end

        # @return [String] "ASC" or "DESC"
        def direction = @descending ? "DESC" : "ASC"

        # Runs a statement in this order. One that no index serves may take MOST_SECONDS.
        #
        # @return [Object] what the block gives
        # @raise [Core::Error::TooMuch]
        def bounded(&block)
          return yield if indexed?

          Postgres::Sql.bounded(MOST_SECONDS, &block)
        rescue Postgres::Sql::Late
          raise Core::Error::TooMuch.new(
            "There are too many URLs to sort them by this column within #{MOST_SECONDS} s. Narrow the ledger to " \
            "fewer first, or sort by #{Fields.indexed.first(4).join(", ")} or another column that is kept in order.",
            column: @column
          )
        end

        private

        def quoted = %("#{@column}")
      end
    end
  end
end
