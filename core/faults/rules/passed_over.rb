# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that should be indexed, passes everything that a crawl can judge, and was left out all the same.
        class PassedOver < EvidenceRule
          CODE = "passed-over"
          TITLE = "Fetched by the index and left out"
          GRADE = "stops"
          WHY =
            "The page can be indexed and the index chose not to: it found it too weak, too alike or too far from " \
            "everything."
          FIX = "Say more that readers came for, link to it from pages that matter, or merge it with a fuller page."
          KIND = "content"
          SOURCE = "CP"

          def check(page, _basis)
            return unless page.wanted && page.passes && page.standing == "passed_over"

            fault(page, reason: page.standing_reason, words: page.words, links_in: page.links_in)
          end
        end
      end
    end
  end
end
