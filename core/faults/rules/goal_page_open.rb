# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page of the goals that may be indexed, or is.
        class GoalPageOpen < EvidenceRule
          CODE = "goal-page-open"
          TITLE = "A page that visitors reach at the end is open to the index"
          ABOUT = "Goal"
          GRADE = "weakens"
          WHY = "Who comes to it from a search counts as one who ended well, and sees a page that makes no sense alone."
          FIX = "Keep it out by noindex."
          MENDED = "is kept out: noindex, 404, 410 or a redirect"
          KIND = "directives"
          TASK = "Add noindex"
          TAKES = true
          CLOSES = true
          SOURCE = "CP"
          # What brings it in must be told whatever was decided.
          def self.lets_climb? = true

          def check(page, _basis)
            return unless page.passes || page.in_index?

            page.goals.to_a.map { |goal| fault(page, about: goal) }
          end
        end
      end
    end
  end
end
