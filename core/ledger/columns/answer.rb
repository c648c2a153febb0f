# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What was answered under the address.
        module Answer
          PLACE = 1
          LIST = [
            Column.new(name: "url_id", type: "bigint", source: :judged, value: ->(page) { page.id }),
            Column.new(
              name: "url",
              type: "text",
              kind: :text,
              source: :subject,
              indexed: true,
              label: "URL",
              shown_as: :url
            ),
            Column.new(
              name: "kind",
              type: "text",
              kind: :set,
              source: :subject,
              label: "Kind",
              choices: {
                "html" => "page",
                "pdf" => "PDF",
                "image" => "image",
                "script" => "script",
                "style" => "style",
                "other" => "other",
                "external" => "other site"
              }
            ),
            Column.new(
              name: "status",
              type: "integer",
              kind: :number,
              source: :subject,
              indexed: true,
              label: "Status"
            ),
            Column.new(
              name: "error",
              type: "text",
              kind: :set,
              source: :subject,
              label: "Error",
              help: "Why no answer came"
            ),
            Column.new(name: "content_type", type: "text", kind: :text, source: :facts, label: "Content type"),
            Column.new(
              name: "bytes",
              type: "bigint",
              kind: :number,
              source: :facts,
              indexed: true,
              label: "Size",
              subject: "size in bytes",
              shown_as: :bytes
            ),
            Column.new(
              name: "first_byte_ms",
              type: "integer",
              kind: :number,
              source: :facts,
              indexed: true,
              label: "First byte, ms",
              subject: "milliseconds to the first byte"
            ),
            Column.new(
              name: "response_ms",
              type: "integer",
              kind: :number,
              source: :facts,
              indexed: true,
              label: "Time, ms",
              subject: "milliseconds",
              help: "Until the whole answer was there"
            )
          ].freeze
        end
      end
    end
  end
end
