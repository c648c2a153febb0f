# frozen_string_literal: true

require "time"

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that should be indexed, was in the index or brought clicks, and is out of it now.
        class Dropped < EvidenceRule
          CODE = "dropped"
          TITLE = "Was in the index, and is out of it"
          GRADE = "stops"
          WHY =
            "It was good enough before: something changed, on the page, around it, or in what the index makes of it."
          FIX = "See what stops it now and since when; mend that first, then ask for it to be fetched again."
          KIND = "content"
          SOURCE = "CP"

          def check(page, _basis)
            return unless page.wanted && page.dropped

            fault(page, last_in_index: page.last_in_index&.iso8601, clicks: page.long_clicks || 0)
          end
        end
      end
    end
  end
end
