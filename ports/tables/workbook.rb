# frozen_string_literal: true

require "date"
require "zlib"

module IronTrellis
  module Ports
    module Tables
      # The first sheet of a workbook (ISO/IEC 29500), read row by row as DelimitedFile reads lines.
      class Workbook
        START = "PK\x03\x04".b
        # What it unpacks to at most, and the part of it that must be in memory: texts that cells share.
        MOST_BYTES = 2_000_000_000
        MOST_SHARED = 150_000_000
        MOST_COLUMNS = 1_000
        SHARED = "xl/sharedStrings.xml"

        # @return [Array<String>]
        attr_reader :headings

        # @param path [String]
        # @raise [Core::Error::InvalidInput]
        def initialize(path)
          # Not before: few files are workbooks.
          require "roo"
          Roo::Excelx::Styles.prepend(WorkbookStyles)
          check(path)
          unpack(path)
        end

        # @yieldparam cells [Array<String>]
        # @yieldparam number [Integer] of the row
        # @yieldparam why [nil] a row of a workbook can be read
        # @return [void]
        def each
          rows { |cells, number| yield cells, number, nil unless number == @first }
        end

        private

        def unpack(path)
          @book = Roo::Excelx.new(path, file_warning: :ignore)
          @headings = first || raise(Core::Error::InvalidInput.new("The first sheet of the workbook is empty."))
        rescue Zip::Error, Roo::Error, Nokogiri::SyntaxError, Zlib::Error, ArgumentError, NoMethodError, TypeError
          raise Core::Error::InvalidInput.new("The workbook can't be read. Save it anew, or as CSV.")
        end

        # What a small file unpacks to may fill the disk, and the memory.
        def check(path)
          require "zip"
          Zip::File.open(path) do |zip|
            large = zip.entries.find { |entry| entry.name == SHARED && entry.size > MOST_SHARED }
            large ||= zip.entries.sum(&:size) > MOST_BYTES
            next unless large

            raise Core::Error::InvalidInput.new(
              "The workbook unpacks to more than can be read (#{MOST_BYTES / 1_000_000_000} GB, or " \
              "#{MOST_SHARED / 1_000_000} MB of texts). Save it as CSV."
            )
          end
        rescue Zip::Error
          raise Core::Error::InvalidInput.new("The workbook can't be read: it is no zip archive, or damaged.")
        end

        def first
          rows do |cells, number|
            @first = number
            return cells.map(&:strip)
          end
          nil
        end

        def rows
          @book.each_row_streaming(pad_cells: true, max_rows: nil) do |row|
            cells = row.first(MOST_COLUMNS).map { |cell| text(cell) }
            number = row.find(&:itself)&.coordinate&.row
            yield cells, number if number
          end
        end

        # As a person would have typed it.
        def text(cell)
          case (value = cell&.value)
          when nil then ""
          when Float then (value == value.to_i) ? value.to_i.to_s : value.to_s
          when DateTime, Date then value.strftime("%F")
          else value.to_s
          end
        end
      end
    end
  end
end
