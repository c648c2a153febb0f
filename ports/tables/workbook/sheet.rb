# frozen_string_literal: true

require "date"
require "zlib"

module IronTrellis
  module Ports
    module Tables
      class Workbook
        # The first sheet of a workbook, row by row. What it is made of may be hostile, so that it is read by Reader
        # only, in a process of its own.
        class Sheet
          # The last that there is (ISO/IEC 29500 leaves it open; all spreadsheets have these).
          LAST_COLUMN = 16_384
          LAST_ROW = 1_048_576
          # What is read of a row.
          MOST_COLUMNS = 1_000
          UNREADABLE = "The workbook can't be read. Save it anew, or as CSV."

          # @param path [String]
          # @param folder [String] where it may be unpacked
          # @raise [Core::Error::InvalidInput]
          def initialize(path, folder)
            Parts.check(path)
            require "roo"
            Roo::Excelx::Styles.prepend(Styles)
            Roo::Excelx::SharedStrings.prepend(SharedTexts)
            readable do
              @book = Roo::Excelx.new(
                path,
                file_warning: :ignore,
                no_hyperlinks: true,
                disable_html_wrapper: true,
                tmpdir_root: folder
              )
            end
          end

          # @yieldparam cells [Array<String>]
          # @yieldparam number [Integer] of the row
          # @return [void]
          # @raise [Core::Error::InvalidInput]
          def each
            readable do
              @book.each_row_streaming { |row| yield placed(row), row.first.coordinate.row if row.any? }
            end
          end

          private

          # Whatever the libraries stumble over: of a file that a spreadsheet wrote they do not.
          def readable
            yield
          rescue Core::Error
            raise
          rescue
            raise Core::Error::InvalidInput.new(UNREADABLE)
          end

          def placed(row)
            row.each_with_object([]) do |cell, cells|
              place = cell.coordinate
              outside(place) unless place.column <= LAST_COLUMN && place.row.between?(1, LAST_ROW)
              next if place.column > MOST_COLUMNS

              cells[place.column - 1] = text(cell)
            end.map(&:to_s)
          end

          def outside(place)
            raise Core::Error::InvalidInput.new(
                    "The workbook has a cell in row #{place.row}, column #{place.column}, which no sheet has " \
                    "(the last is XFD#{LAST_ROW}). Save it anew, or as CSV."
                  )
          end

          # As a person would have typed it.
          def text(cell)
            case (value = cell.value)
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
end
