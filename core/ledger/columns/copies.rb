# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What it shares with other pages.
        module Copies
          PLACE = 10
          LIST = [
            Column.new(name: "copy_of", type: "text", kind: :text, source: :copies),
            Column.new(name: "likeness", type: "double precision", kind: :number, source: :copies),
            Column.new(name: "copies", type: "integer", kind: :number, source: :copies),
            Column.new(name: "own_share", type: "double precision", kind: :number, source: :copies, indexed: true)
          ].freeze
        end
      end
    end
  end
end
