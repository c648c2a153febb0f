# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # Several canonicals of one source that differ.
        class CanonicalMany < PageRule
          CODE = "canonical-many"
          TITLE = "Several canonicals on one page"
          ABOUT = "Last canonical"
          GRADE = "diverts"
          WHY = "None of them counts, and the index chooses by itself."
          FIX = "Leave one, most often that of the page itself."
          KIND = "canonicals"
          SOURCE = "RFC 6596 section 3; CP"

          def check(page)
            targets = page.canonicals.find { |_, urls| urls.size > 1 }&.last
            fault(page, about: targets.last, canonicals: targets) if targets
          end
        end
      end
    end
  end
end
