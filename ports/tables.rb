# frozen_string_literal: true

module IronTrellis
  module Ports
    # Tables written to files in the formats that people take elsewhere.
    module Tables
      # What one cell holds where a list must stand in it.
      LIST = "; "

      module_function

      # @return [Hash{String => Module}] by the ending of the file; each answers .write(path, columns, rows)
      def formats = {"csv" => CsvTable, "xlsx" => XlsxTable, "jsonl" => JsonlTable}

      # @param name [String]
      # @return [Module]
      # @raise [Core::Error::InvalidInput]
      def named(name)
        formats.fetch(name) do
          raise Core::Error::InvalidInput.new("There is no format “#{name}”; use one of #{formats.keys.join(", ")}.")
        end
      end

      # @return [Object] a value as one cell
      def cell(value) = value.is_a?(Array) ? value.join(LIST) : value
    end
  end
end
