# frozen_string_literal: true

require "stringio"

module IronTrellis
  module Ports
    module Tables
      # Reads a file of delimited cells with known columns, row by row. A row that can't be used is told with its line,
      # and the rest is kept.
      class CsvRows
        # One line that can't be used, and why.
        Bad = Struct.new(:line, :why, keyword_init: true)

        # @return [Array<Bad>] told while reading
        attr_reader :bad

        # @param source [String, IO] the file's bytes
        # @param columns [Array<String>] that it must have, in any order and case
        # @param optional [Array<String>] that it may have
        # @raise [Core::Error::InvalidInput] where a column is missing, or nothing can be read
        def initialize(source, columns, optional: [])
          @file = DelimitedFile.new(source.is_a?(String) ? StringIO.new(source.b) : source)
          @columns = columns
          @optional = optional
          @bad = []
          @headings = @file.headings.map(&:downcase)
          check
        end

        # @yieldparam row [Hash{String => String}] cells without the space around them, "" where empty
        # @yieldparam line [Integer] where it begins
        # @return [void]
        def each
          places = (@columns + @optional).to_h { |column| [column, @headings.index(column)] }
          @file.each do |cells, line, why|
            next refuse(line, why) if why
            next if cells.all? { |cell| cell.to_s.strip.empty? }

            yield places.transform_values { |place| place ? cells[place].to_s.strip : "" }, line
          end
        end

        # Tells that a row can't be used.
        #
        # @return [void]
        def refuse(line, why) = @bad << Bad.new(line: line, why: why)

        private

        def check
          missing = @columns - @headings
          return if missing.empty?

          raise Core::Error::InvalidInput.new(
            "The first line must name the columns #{@columns.join(", ")}; #{missing.join(" and ")} can't be found in " \
            "“#{@file.first_line[0, 100]}”."
          )
        end
      end
    end
  end
end
