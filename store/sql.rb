# frozen_string_literal: true

require "pg"

module IronTrellis
  module Store
    # Bulk statements that Active Record has no words for: parameters, arrays and COPY on its connection.
    module Sql
      ARRAY = PG::TextEncoder::Array.new.freeze
      COPY_ROW = PG::TextEncoder::CopyRow.new.freeze
      COPY_ROWS = 500

      module_function

      # @param sql [String] with $1, $2 …
      # @param params [Array<Object>] text forms are sent
      # @return [PG::Result] values as text
      def run(sql, params = []) = raw.exec_params(sql, params)

      # @param values [Array<Object>]
      # @return [String] as one array parameter
      def array(values) = ARRAY.encode(values)

      # Reads a big result in portions, in a transaction of its own.
      #
      # @param sql [String]
      # @param params [Array<Object>]
      # @yieldparam rows [Array<Hash{String => Object}>] decoded by type
      # @return [void]
      def stream(sql, params = [], portion: 5000)
        ActiveRecord::Base.transaction do
          name = "stream_#{object_id}_#{rand(1 << 30)}"
          raw.exec_params("DECLARE #{name} NO SCROLL CURSOR FOR #{sql}", params)
          loop do
            result = raw.exec("FETCH #{portion} FROM #{name}")
            result.map_types!(types)
            break if result.ntuples.zero?

            yield result.to_a
          end
          raw.exec("CLOSE #{name}")
        end
      end

      # @param sql [String]
      # @param params [Array<Object>]
      # @return [Array<Hash{String => Object}>] decoded by type
      def rows(sql, params = [])
        result = run(sql, params)
        result.map_types!(types)
        result.to_a
      end

      # Rows are sent in big pieces: a call a row would cost as much as the rows themselves.
      #
      # @param table [String]
      # @param columns [Array<String>]
      # @param rows [Enumerable<Array>] values; nil is NULL, arrays and JSON as text
      # @return [void]
      def copy(table, columns, rows)
        names = columns.map { |column| %("#{column}") }.join(", ")
        raw.copy_data("COPY #{table} (#{names}) FROM STDIN") do
          rows.each_slice(COPY_ROWS) { |some| raw.put_copy_data(some.map { |row| COPY_ROW.encode(row) }.join) }
        end
      end

      # Arrays in COPY and parameters, strings with NUL taken out: PostgreSQL's text can't hold it.
      #
      # @param text [String, nil]
      # @return [String, nil]
      def text(text) = text&.include?("\0") ? text.delete("\0") : text

      def raw = ActiveRecord::Base.connection.raw_connection

      # Asking the server for its types costs a round trip, so it is done once a connection.
      def types
        @types ||= ObjectSpace::WeakMap.new
        @types[raw] ||= PG::BasicTypeMapForResults.new(raw)
      end
    end
  end
end
