# frozen_string_literal: true

module IronTrellis
  module Store
    module Ledger
      # All rows of the ledger of one run that meet the conditions, in the order and with the columns that are asked
      # for.
      class Rows
        include Enumerable

        attr_reader :columns

        # @param run [Judging::VerdictRun]
        # @param conditions [Conditions]
        # @param sort [String] a column, with "-" in front for descending
        # @param columns [Array<String>, nil] nil for all
        # @raise [Core::Error::InvalidInput]
        def initialize(run, conditions:, sort: "url", columns: nil)
          @run = run
          @conditions = conditions
          @order = Order.new(sort)
          @columns = columns || Fields.names
          @columns.each { |column| Fields.kind(column) }
        end

        # @yieldparam row [Array<Object>] values in the order of the columns
        # @return [void]
        def each
          key, direction = @order.key, @order.direction
          names = @columns.map { |name| %("#{name}") }.join(", ")
          sql =
            "SELECT #{names} FROM #{Postgres::Partitions.name("ledger_rows", @run.id)} WHERE #{@conditions.sql} " \
            "ORDER BY #{key} #{direction} NULLS LAST, CASE WHEN #{key} IS NULL THEN url_id END, url_id #{direction}"
          Postgres::Sql.stream(sql, @conditions.params) { |rows| rows.each { |row| yield row.values_at(*@columns) } }
        end
      end
    end
  end
end
