# frozen_string_literal: true

require "nokogiri"

module IronTrellis
  module Ports
    module Tables
      class Workbook
        # Roo counts the styles of a workbook without those that name no number format, which the standard allows
        # (ISO/IEC 29500, part 1, 18.8.45: it is 0 then), so that the cells of some writers take each other's formats;
        # and it wants a part of styles, which a workbook need not have (12.3.20).
        module Styles
          USUAL = "0"

          private

          # @return [Array<String>] a number format a style
          def extract_num_fmt_ids = doc.xpath("//cellXfs/xf").map { |style| style["numFmtId"] || USUAL }

          def doc = doc_exists? ? super : Nokogiri::XML::Document.new
        end
      end
    end
  end
end
