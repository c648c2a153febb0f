# frozen_string_literal: true

module IronTrellis
  module Work
    module Reports
      # A report printed by Chromium. One at a time, on whatever machine: a browser is many processes.
      module Pdf
        ENDING = "pdf"
        TYPE = "application/pdf"

        # ISO 32000-1, 7.5.2.
        MARK = "%PDF-"

        module_function

        # @param bytes [String] of any file
        # @return [Boolean] whether it is one
        def made?(bytes) = bytes.start_with?(MARK.b)

        # @param paper [Ports::Reports::Paper]
        # @return [String] bytes
        # @raise [Core::Error::Conflict] where there is no Chromium, or it doesn't answer
        def write(paper) =
          Store::Postgres::InTurn.call("printing of reports") do
            Fetch::Rendering::Printing.call(Ports::Reports::Html.write(paper))
          end
      end
    end
  end
end
