# frozen_string_literal: true

require "tmpdir"
require "zip"

# Workbooks as the standard has them (ISO/IEC 29500, part 1, 18.3), written part by part with texts within their cells,
# which our own writer doesn't use.
module Workbooks
  HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>'
  MAIN = 'xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"'
  RELATIONS = 'xmlns="http://schemas.openxmlformats.org/package/2006/relationships"'
  OFFICE = "http://schemas.openxmlformats.org/officeDocument/2006/relationships"
  SHEET = "xl/worksheets/sheet1.xml"
  STYLES = "xl/styles.xml"
  BOOK = "xl/workbook.xml"
  SHARED = "xl/sharedStrings.xml"
  PARTS = {
    "[Content_Types].xml" =>
      "#{HEAD}<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\">" \
        "<Default Extension=\"rels\" ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/>" \
        "<Default Extension=\"xml\" ContentType=\"application/xml\"/>" \
        "<Override PartName=\"/xl/workbook.xml\" " \
        "ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml\"/>" \
        "<Override PartName=\"/xl/worksheets/sheet1.xml\" " \
        "ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml\"/>" \
        "<Override PartName=\"/xl/styles.xml\" " \
        "ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.styles+xml\"/></Types>",
    "_rels/.rels" =>
      "#{HEAD}<Relationships #{RELATIONS}>" \
        "<Relationship Id=\"rId1\" Type=\"#{OFFICE}/officeDocument\" Target=\"xl/workbook.xml\"/></Relationships>",
    BOOK =>
      "#{HEAD}<workbook #{MAIN} xmlns:r=\"#{OFFICE}\"><sheets><sheet name=\"One\" sheetId=\"1\" r:id=\"rId1\"/>" \
        "</sheets></workbook>",
    "xl/_rels/workbook.xml.rels" =>
      "#{HEAD}<Relationships #{RELATIONS}>" \
        "<Relationship Id=\"rId1\" Type=\"#{OFFICE}/worksheet\" Target=\"worksheets/sheet1.xml\"/>" \
        "<Relationship Id=\"rId2\" Type=\"#{OFFICE}/styles\" Target=\"styles.xml\"/></Relationships>",
    STYLES =>
      "#{HEAD}<styleSheet #{MAIN}><cellXfs count=\"2\"><xf numFmtId=\"0\"/>" \
        "<xf numFmtId=\"14\" applyNumberFormat=\"1\"/></cellXfs></styleSheet>"
  }.freeze

  # @param text [String]
  # @return [String] a cell with its text in it
  def cell(place, text) = "<c r=\"#{place}\" t=\"inlineStr\"><is><t>#{text}</t></is></c>"

  # @param rows [String] row elements
  # @return [String] a sheet
  def sheet(rows) = "#{HEAD}<worksheet #{MAIN}><sheetData>#{rows}</sheetData></worksheet>"

  # @param parts [Hash{String => String, #call, nil}] other texts of parts, what writes them piece by piece, or nil
  #   for no such part
  # @yieldparam path [String]
  def with_workbook(parts)
    Dir.mktmpdir do |folder|
      path = File.join(folder, "book.xlsx")
      Zip::OutputStream.open(path) do |zip|
        PARTS.merge(parts).compact.each do |name, text|
          zip.put_next_entry(name)
          text.respond_to?(:call) ? text.call(zip) : zip.write(text)
        end
      end
      yield path
    end
  end
end
