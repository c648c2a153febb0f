# frozen_string_literal: true

require "stringio"

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Prints the report on a site, which takes a browser.
        module ReportPrinted
          CODE = "report_printed"
          DOING = "printing a report"

          module_function

          # @param input [Hash{String => Object}] site (id), from (number of a crawl, or nil)
          # @return [Hash] file: by which number it can be fetched
          def call(input, now:)
            site = Store::Sites::Site.fetch(input["site"])
            paper = Work::Proofs::Reporting.new(site, now: now, from: input["from"]).paper
            name = "report.#{Reports::Pdf::ENDING}"
            {file: Store::Evidence::Upload.keep(site, name, StringIO.new(Reports::Pdf.write(paper)), now: now).id}
          end
        end
      end
    end
  end
end
