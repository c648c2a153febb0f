# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What it loads.
        module Weight
          PLACE = 7
          LIST = [
            Column.new(
              name: "images",
              type: "integer",
              kind: :number,
              source: :facts,
              label: "Images",
              help: "Images that it shows"
            ),
            Column.new(
              name: "images_without_alt",
              type: "integer",
              kind: :number,
              source: :facts,
              label: "Without alt",
              subject: "images without alt",
              help: "Images without alt text"
            ),
            Column.new(
              name: "image_bytes",
              type: "bigint",
              kind: :number,
              source: :facts,
              label: "Images, size",
              subject: "size of images",
              shown_as: :bytes
            ),
            Column.new(
              name: "scripts",
              type: "integer",
              kind: :number,
              source: :judged,
              value: ->(page) { page.counted("scripts") },
              label: "Scripts",
              help: "Scripts that it loads"
            ),
            Column.new(
              name: "script_bytes",
              type: "bigint",
              kind: :number,
              source: :facts,
              label: "Scripts, size",
              subject: "size of scripts",
              shown_as: :bytes
            ),
            Column.new(
              name: "styles",
              type: "integer",
              kind: :number,
              source: :judged,
              value: ->(page) { page.counted("styles") },
              label: "Styles",
              subject: "style sheets",
              help: "Style sheets that it loads"
            ),
            Column.new(
              name: "style_bytes",
              type: "bigint",
              kind: :number,
              source: :facts,
              label: "Styles, size",
              subject: "size of style sheets",
              shown_as: :bytes
            ),
            Column.new(
              name: "page_bytes",
              type: "bigint",
              kind: :number,
              source: :judged,
              value: ->(page) { page.loaded_bytes },
              label: "Page weight",
              subject: "page weight in bytes",
              help: "The page and all that it loads, as far as that was fetched",
              shown_as: :bytes
            )
          ].freeze
        end
      end
    end
  end
end
