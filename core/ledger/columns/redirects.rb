# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # Where it leads.
        module Redirects
          PLACE = 3
          LIST = [
            Column.new(name: "redirect_to", type: "text", kind: :text, source: :subject),
            Column.new(name: "redirect_chain", type: "text[]", kind: :list, source: :subject, counted: true),
            Column.new(name: "final_url", type: "text", kind: :text, source: :subject),
            Column.new(name: "final_status", type: "integer", kind: :number, source: :subject)
          ].freeze
        end
      end
    end
  end
end
