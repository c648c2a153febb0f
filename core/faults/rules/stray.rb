# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # What is to be kept out is open to the index all the same, whatever it says and however it is found.
        class Stray < PageRule
          CODE = "stray"
          TITLE = "Indexable, should be kept out"
          GRADE = "diverts"
          WHY = "It takes crawls and places in results from the pages that matter."
          FIX = "Give it a noindex, or a canonical to its main version; block it only when it is out."
          MENDED = "is kept out: noindex, 404, 410 or a redirect"
          KIND = "directives"
          TASK = "Add noindex"
          TAKES = true
          CLOSES = true
          SOURCE = "CP"
          def self.lets_climb? = true

          def check(page)
            fault(page) if page.intent == "keep_out" && page.document? && page.indexable
          end
        end
      end
    end
  end
end
