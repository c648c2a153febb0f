# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What leads there and away.
        module Links
          PLACE = 6
          LIST = [
            Column.new(name: "links_in", type: "integer", kind: :number, source: :subject, indexed: true),
            Column.new(name: "links_out_internal", type: "integer", kind: :number, source: :judged),
            Column.new(name: "links_out_external", type: "integer", kind: :number, source: :judged)
          ].freeze
        end
      end
    end
  end
end
