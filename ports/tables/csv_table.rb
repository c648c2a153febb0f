# frozen_string_literal: true

require "csv"

module IronTrellis
  module Ports
    module Tables
      # RFC 4180 in UTF-8, with a mark in front by which spreadsheet programs know that.
      module CsvTable
        MARK = "\uFEFF"
        # A spreadsheet would take a text that begins so for a formula, and run it.
        FORMULA = /\A[=+\-@\t\r]/
        TYPE = "text/csv; charset=utf-8"

        module_function

        # @param path [String]
        # @param columns [Array<String>]
        # @param rows [Enumerable<Array>]
        # @return [void]
        def write(path, columns, rows)
          ::File.open(path, "wb") do |file|
            file.write(MARK)
            file.write(CSV.generate_line(columns, row_sep: "\r\n"))
            rows.each { |row| file.write(CSV.generate_line(row.map { |value| safe(Tables.cell(value)) }, row_sep: "\r\n")) }
          end
        end

        def safe(value) = (value.is_a?(String) && FORMULA.match?(value)) ? "'#{value}" : value
        private_class_method :safe
      end
    end
  end
end
