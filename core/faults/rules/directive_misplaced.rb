# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A robots meta element stands outside the head.
        class DirectiveMisplaced < PageRule
          CODE = "directive-misplaced"
          TITLE = "Robots directive outside the head"
          ABOUT = "Directives"
          GRADE = "weakens"
          WHY = "Some crawlers read it there and some don't, so nobody knows what counts."
          FIX = "Move it into the head; often something before it ends the head too early."
          MENDED = "its directives stand in the head"
          KIND = "directives"
          TASK = "Correct robots directives"
          SOURCE = "HTML standard, meta; CP"

          def check(page)
            misplaced = (page.directives || []).find { |one| one.source == "meta" && one.place == "body" }
            fault(page, about: misplaced.tokens.join(", ")) if misplaced
          end
        end
      end
    end
  end
end
