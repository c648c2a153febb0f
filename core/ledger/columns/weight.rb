# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What it loads.
        module Weight
          PLACE = 7
          LIST = [
            Column.new(name: "images", type: "integer", kind: :number, source: :facts),
            Column.new(name: "images_without_alt", type: "integer", kind: :number, source: :facts),
            Column.new(name: "image_bytes", type: "bigint", kind: :number, source: :facts),
            Column.new(name: "scripts", type: "integer", kind: :number, source: :judged),
            Column.new(name: "script_bytes", type: "bigint", kind: :number, source: :facts),
            Column.new(name: "styles", type: "integer", kind: :number, source: :judged),
            Column.new(name: "style_bytes", type: "bigint", kind: :number, source: :facts),
            Column.new(name: "page_bytes", type: "bigint", kind: :number, source: :judged)
          ].freeze
        end
      end
    end
  end
end
