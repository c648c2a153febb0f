# frozen_string_literal: true

module IronTrellis
  module Ports
    module Tables
      # A table that somebody brings, as delimited cells or as a workbook: which of them is told by how it begins.
      module UploadedTable
        # @param path [String]
        # @yieldparam table [DelimitedFile, Workbook]
        # @return [Object] what the block gives
        # @raise [Core::Error::InvalidInput] where it can't be read
        def self.open(path)
          ::File.open(path, "rb") do |file|
            workbook = file.read(Workbook::START.bytesize) == Workbook::START
            file.rewind
            table = workbook ? Workbook.new(path) : DelimitedFile.new(file)
            yield table
          ensure
            table.close if workbook && table
          end
        end
      end
    end
  end
end
