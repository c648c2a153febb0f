# frozen_string_literal: true

module IronTrellis
  module Ports
    module Languages
      module Lines
        # For the head of each page: its address, then its lines.
        module Head
          NAME = "head"
          PLACE = 1
          ENDING = "txt"
          TYPE = "text/plain; charset=utf-8"

          # @param pages [Array<Core::Languages::Carried>]
          # @return [String]
          def self.write(pages) =
            pages
              .map { |page| "#{page.url}\n#{Core::Languages::CompleteSet.head_lines(page.lines).join("\n")}\n" }
              .join("\n")
        end
      end
    end
  end
end
