# frozen_string_literal: true

require "axlsx"

module IronTrellis
  module Ports
    module Reports
      # A report as a workbook (ISO/IEC 29500): a sheet a section, its sentences above its table.
      module Xlsx
        ENDING = "xlsx"
        TYPE = Tables::Formats::Xlsx::TYPE

        module_function

        # @param paper [Paper]
        # @return [String] bytes
        def write(paper)
          # Not before: every command lists the formats, few write a workbook.
          require "caxlsx"
          package = Axlsx::Package.new
          paper.sections.each { |section| sheet(package.workbook, section) }
          package.to_stream.string
        end

        def sheet(workbook, section)
          bold = workbook.styles.add_style(b: true)
          workbook.add_worksheet(name: section.title) do |sheet|
            section.sentences.each { |sentence| add(sheet, [sentence]) }
            next if section.rows.empty?

            sheet.add_row([])
            sheet.add_row(section.columns, style: bold)
            section.rows.each { |row| add(sheet, row) }
          end
        end

        def add(sheet, row) =
          sheet.add_row(row, types: row.map { |one| one.is_a?(String) ? :string : nil }, escape_formulas: true)
        private_class_method :sheet, :add
      end
    end
  end
end
