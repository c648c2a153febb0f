# frozen_string_literal: true

module IronTrellis
  module Ports
    module Tables
      module Formats
        # A workbook (ISO/IEC 29500) of one sheet whose heading stays in sight.
        module Xlsx
          NAME = "xlsx"
          LABEL = "Workbook (XLSX)"
          PLACE = 2
          TYPE = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"
          # A sheet holds 1,048,576 rows; a workbook is built in memory, so we stop far before.
          MOST_ROWS = 200_000
          # More characters than a cell can have are cut off.
          MOST_CHARACTERS = 32_767

          module_function

          # @param path [String]
          # @param columns [Array<String>]
          # @param rows [Enumerable<Array>]
          # @return [void]
          # @raise [Core::Error::InvalidInput] where there are too many rows
          def write(path, columns, rows)
            # Not before: every command lists the formats, few write a workbook.
            require "caxlsx"
            package = Axlsx::Package.new
            package.workbook.add_worksheet(name: "Iron Trellis") do |sheet|
              sheet.add_row(columns, style: package.workbook.styles.add_style(b: true))
              rows.each_with_index { |row, index| add(sheet, row, index) }
              sheet.sheet_view.pane { |pane| pane.top_left_cell, pane.state, pane.y_split = "A2", :frozen, 1 }
            end
            package.serialize(path)
          end

          def add(sheet, row, index)
            if index >= MOST_ROWS
              raise Core::Error::InvalidInput.new(
                      "A workbook may have #{MOST_ROWS} rows at most; narrow the ledger, or take CSV."
                    )
            end

            values = row.map { |value| text?(value) ? Tables.cell(value).to_s[0, MOST_CHARACTERS] : value }
            sheet.add_row(
              values,
              types: values.map { |value| value.is_a?(String) ? :string : nil },
              escape_formulas: true
            )
          end

          def text?(value) = value.is_a?(String) || value.is_a?(Array)
          private_class_method :add, :text?
        end
      end
    end
  end
end
