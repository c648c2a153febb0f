# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Decisions
      # Something that the auditor settled: of which subject, what, why, who and when.
      class Decision < Postgres::Record
        self.table_name = "decisions"

        # @return [Hash] for JSON
        def view
          {
            id: id,
            kind: kind,
            subject: subject,
            value: value,
            note: note,
            made_by: made_by,
            made_at: made_at.iso8601,
            undone_by: undone_by,
            undone_at: undone_at&.iso8601
          }
        end
      end
    end
  end
end
