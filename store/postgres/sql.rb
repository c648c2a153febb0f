# frozen_string_literal: true

require "pg"

module IronTrellis
  module Store
    module Postgres
      # Bulk statements that Active Record has no words for: parameters, arrays and cursors on its connection.
      module Sql
        # A statement took longer than it may.
        class Late < StandardError; end

        ARRAY = PG::TextEncoder::Array.new.freeze

        module_function

        # @param sql [String] with $1, $2 …
        # @param params [Array<Object>] text forms are sent
        # @return [PG::Result] values as text
        def run(sql, params = []) = raw.exec_params(sql, params)

        # @param values [Array<Object>]
        # @return [String] as one array parameter
        def array(values) = ARRAY.encode(values)

        # @param rows [Array<Array<Object>>] of one width, at least one
        # @return [Array<String>] an array parameter a column, for unnest
        def columns(rows) = rows.transpose.map { |column| array(column) }

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

        # The rows of a query of one text, each as a line, straight from the database: for what it can write itself.
        #
        # @param sql [String] without parameters; its texts hold no control characters
        # @yieldparam line [String] with its end
        # @return [void]
        def each_line(sql)
          raw.copy_data("COPY (#{sql}) TO STDOUT WITH (FORMAT csv, QUOTE E'\\x01', DELIMITER E'\\x02')") do
            while (line = raw.get_copy_data) do yield line.force_encoding(Encoding::UTF_8) end
          end
        end

        # Runs statements that may take so long at most.
        #
        # @param seconds [Integer]
        # @return [Object] what the block gives
        # @raise [Late]
        def bounded(seconds)
          ActiveRecord::Base.transaction(requires_new: true) do
            raw.exec("SET LOCAL statement_timeout = #{Integer(seconds) * 1000}")
            yield.tap { raw.exec("SET LOCAL statement_timeout = 0") }
          end
        rescue PG::QueryCanceled, ActiveRecord::QueryCanceled
          raise Late
        end

        # @param sql [String]
        # @param params [Array<Object>]
        # @return [Array<Hash{String => Object}>] decoded by type
        def rows(sql, params = [])
          result = run(sql, params)
          result.map_types!(types)
          result.to_a
        end

        def raw = ActiveRecord::Base.connection.raw_connection

        # A server's types are asked for once a process and database: they take a tenth of a second to learn.
        def types
          (@types ||= {})[raw.db] ||= PG::BasicTypeMapForResults.new(PG::BasicTypeRegistry::CoderMapsBundle.new(raw))
        end
      end
    end
  end
end
