# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      module Columns
        # Where it leads.
        module Redirects
          PLACE = 3
          LIST = [
            Column.new(
              name: "redirect_to",
              type: "text",
              kind: :text,
              source: :subject,
              label: "Redirects to",
              subject: "redirect target",
              shown_as: :url
            ),
            Column.new(
              name: "redirect_chain",
              type: "text[]",
              kind: :list,
              source: :subject,
              counted: true,
              label: "Redirect chain",
              help: "Addresses on its way, in order",
              shown_as: :size
            ),
            Column.new(
              name: "final_url",
              type: "text",
              kind: :text,
              source: :subject,
              label: "Ends at",
              subject: "end of redirects",
              help: "Where its redirects end",
              shown_as: :url
            ),
            Column.new(
              name: "final_status",
              type: "integer",
              kind: :number,
              source: :subject,
              label: "Final status",
              help: "Status where its redirects end"
            )
          ].freeze
        end
      end
    end
  end
end
