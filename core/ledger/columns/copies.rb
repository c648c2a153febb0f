# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What it shares with other pages.
        module Copies
          PLACE = 10
          LIST = [
            Column.new(
              name: "copy_of",
              type: "text",
              kind: :text,
              source: :copies,
              label: "Main version",
              help: "The page that it is a copy of",
              shown_as: :url
            ),
            Column.new(
              name: "similarity",
              type: "double precision",
              kind: :number,
              source: :copies,
              label: "Similarity",
              help: "How alike it is to its main version, from 0 to 1",
              shown_as: :hundredths
            ),
            Column.new(
              name: "copies",
              type: "integer",
              kind: :number,
              source: :copies,
              label: "Copies",
              help: "Other pages like it"
            ),
            Column.new(
              name: "unique_share",
              type: "double precision",
              kind: :number,
              source: :copies,
              indexed: true,
              label: "Unique text",
              help: "Share of its words that no other page of the site has",
              shown_as: :share
            )
          ].freeze
        end
      end
    end
  end
end
