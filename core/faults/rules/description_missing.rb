# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page without a description.
        class DescriptionMissing < PageRule
          CODE = "description-missing"
          TITLE = "Page without description"
          GRADE = "weakens"
          WHY = "Result pages show some piece of the text instead, often a poor one."
          FIX = "Write one or two sentences that make one want to read on."
          MENDED = "has a description"
          KIND = "content"
          ELEMENT = "description"
          SOURCE = "CP"

          def check(page)
            fault(page) if page.page? && page.description.to_s.empty?
          end
        end
      end
    end
  end
end
