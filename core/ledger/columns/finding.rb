# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # How the address was found, and what robots.txt says of it.
        module Finding
          PLACE = 2
          LIST = [
            Column.new(name: "depth", type: "integer", kind: :number, source: :subject, indexed: true),
            Column.new(name: "found_by", type: "text[]", kind: :list, source: :subject),
            Column.new(name: "robots_allowed", type: "boolean", kind: :flag, source: :subject),
            Column.new(name: "robots_line", type: "integer", kind: :number, source: :subject)
          ].freeze
        end
      end
    end
  end
end
