# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # What was answered under the address.
        module Answer
          PLACE = 1
          LIST = [
            Column.new(name: "url_id", type: "bigint", source: :judged),
            Column.new(name: "url", type: "text", kind: :text, source: :subject, indexed: true),
            Column.new(name: "kind", type: "text", kind: :set, source: :subject),
            Column.new(name: "status", type: "integer", kind: :number, source: :subject, indexed: true),
            Column.new(name: "error", type: "text", kind: :set, source: :subject),
            Column.new(name: "content_type", type: "text", kind: :text, source: :facts),
            Column.new(name: "bytes", type: "bigint", kind: :number, source: :facts, indexed: true),
            Column.new(name: "first_byte_ms", type: "integer", kind: :number, source: :facts, indexed: true),
            Column.new(name: "response_ms", type: "integer", kind: :number, source: :facts, indexed: true)
          ].freeze
        end
      end
    end
  end
end
