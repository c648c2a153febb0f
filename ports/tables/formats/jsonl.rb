# frozen_string_literal: true

module IronTrellis
  module Ports
    module Tables
      module Formats
        # One JSON object a line, with lists as lists.
        module Jsonl
          NAME = "jsonl"
          LABEL = "JSON Lines"
          PLACE = 3
          TYPE = "application/jsonl; charset=utf-8"

          module_function

          # @param path [String]
          # @param columns [Array<String>]
          # @param rows [Enumerable<Array>]
          # @return [void]
          def write(path, columns, rows)
            JsonlFile.write(path) { |write| rows.each { |row| write.call(columns.zip(row).to_h) } }
          end
        end
      end
    end
  end
end
