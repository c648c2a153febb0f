# frozen_string_literal: true

module IronTrellis
  module Ports
    module Languages
      module Lines
        # A row an annotation, as it can be brought back.
        module Csv
          NAME = "csv"
          PLACE = 4
          ENDING = "csv"
          TYPE = "text/csv; charset=utf-8"

          # @param pages [Array<Core::Languages::Carried>]
          # @return [String]
          def self.write(pages) =
            Tables::Formats::Csv.line(CsvSets::COLUMNS) +
              pages
                .flat_map { |page|
                  page.lines.map { |code, target| Tables::Formats::Csv.line([page.url, code, target]) }
                }
                .join
        end
      end
    end
  end
end
