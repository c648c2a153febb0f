# frozen_string_literal: true

require "date"
require "time"

module IronTrellis
  module Store
    module Ledger
      # The rows that meet the conditions, counted by the value of one column. A row with several values of a list
      # counts under each.
      class Gathered
        include Enumerable

        # So many values are told, those of most rows first.
        MOST = 1_000
        MOST_SECONDS = 20
        COLUMNS = %w[value urls wanted indexable with_faults importance].freeze

        # @param run [Judging::VerdictRun]
        # @param column [String]
        # @param conditions [Conditions]
        # @raise [Core::Error::InvalidInput]
        def initialize(run, column, conditions:)
          @table = Postgres::Partitions.name("ledger_rows", run.id)
          @column = column
          @kind = Fields.kind(column)
          @conditions = conditions
        end

        # @return [Hash] rows ([{value (nil where there is none), urls, wanted, indexable, with_faults, importance (of
        #   all of them together)}]) and values (the number of all)
        # @raise [Core::Error::TooMuch]
        def call
          rows = Postgres::Sql.bounded(MOST_SECONDS) { Postgres::Sql.rows(sql, @conditions.params) }
          {
            rows: rows.map { |row| row.slice(*COLUMNS).merge("value" => written(row["value"])) },
            values: rows.first&.fetch("values") || 0
          }
        rescue Postgres::Sql::Late
          raise Core::Error::TooMuch.new(
            "There are too many URLs to count them by this column within #{MOST_SECONDS} s. Narrow the ledger to " \
            "fewer first.",
            column: @column
          )
        end

        # @return [Array<String>] columns of the table
        def columns = [@column, *COLUMNS.drop(1)]

        # @yieldparam row [Array<Object>] values in the order of the columns
        # @return [void]
        def each = call[:rows].each { |row| yield row.values_at(*COLUMNS) }

        private

        def sql
          from = (@kind == :list) ? %(LEFT JOIN LATERAL unnest("#{@column}") AS one(value) ON true) : ""
          <<~SQL
            SELECT #{value} AS value, count(*) AS urls, count(*) FILTER (WHERE wanted) AS wanted, count(*) FILTER (WHERE
              indexable) AS indexable, count(*) FILTER (WHERE fault_count > 0) AS with_faults,
              coalesce(sum(importance), 0) AS importance, count(*) OVER () AS values
            FROM #{@table} #{from} WHERE #{@conditions.sql} GROUP BY 1 ORDER BY 2 DESC, 1 LIMIT #{MOST}
          SQL
        end

        def value
          case @kind
          when :list then "one.value"
          when :date then %("#{@column}"::date)
          when :text then %(nullif("#{@column}", ''))
          else %("#{@column}")
          end
        end

        def written(value) = value.is_a?(::Date) ? value.iso8601 : value
      end
    end
  end
end
