# frozen_string_literal: true

module IronTrellis
  module Ports
    module Tables
      module Formats
        # RFC 4180 in UTF-8, with a mark in front by which spreadsheet programs know that.
        module Csv
          NAME = "csv"
          LABEL = "CSV"
          PLACE = 1
          MARK = "\uFEFF"
          # A spreadsheet would take a text that begins so for a formula, and run it.
          # So would some one that begins so behind blanks and line breaks, and some in wide signs.
          FORMULA = /\A[[:space:]\p{Cf}]*[=+\-@＝＋－＠]|\A[\t\r\n]/
          # Cells with these stand in quotes: signs of the format, and delimiters that programs take elsewhere.
          DELICATE = /[",;|\t\r\n]/
          TYPE = "text/csv; charset=utf-8"

          module_function

          # @param path [String]
          # @param columns [Array<String>]
          # @param rows [Enumerable<Array>]
          # @return [void]
          def write(path, columns, rows)
            ::File.open(path, "wb") do |file|
              file.write(MARK)
              file.write(line(columns))
              rows.each { |row| file.write(line(row.map { |value| Tables.cell(value) })) }
            end
          end

          # @param cells [Array<Object>]
          # @return [String] a line of RFC 4180, with nothing that a spreadsheet would run, whichever delimiter it takes
          def line(cells) = "#{cells.map { |value| quoted(safe(value)) }.join(",")}\r\n"

          def quoted(value)
            return value.to_s unless value.is_a?(String)
            return value unless value.empty? || DELICATE.match?(value)

            "\"#{value.gsub('"', '""')}\""
          end

          def safe(value) = (value.is_a?(String) && FORMULA.match?(value)) ? "'#{value}" : value
          private_class_method :safe, :quoted
        end
      end
    end
  end
end
