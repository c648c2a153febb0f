# frozen_string_literal: true

module IronTrellis
  module Ports
    module Languages
      module Lines
        # For the headers of each page: its address, then its Link header (RFC 8288).
        module Header
          NAME = "header"
          PLACE = 2
          ENDING = "txt"
          TYPE = "text/plain; charset=utf-8"

          # @param pages [Array<Core::Languages::Carried>]
          # @return [String]
          def self.write(pages) =
            pages
              .map { |page| "#{page.url}\nLink: #{Core::Languages::CompleteSet.header(page.lines)}\n" }
              .join("\n")
        end
      end
    end
  end
end
