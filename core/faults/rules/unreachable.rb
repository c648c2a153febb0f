# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A URL that is linked to or listed gives no answer.
        class Unreachable < PageRule
          CODE = "unreachable"
          TITLE = "Page can't be reached"
          ABOUT = "Failure"
          GRADE = "stops"
          WHY = "Nobody gets in, and a crawler that fails often comes back seldom."
          FIX = "Find out why the server doesn't answer: its name, its certificate, its firewall, its load."
          MENDED = "answers"
          KIND = "server"
          TASK = "Make unreachable pages answer"
          SOURCE = "RFC 9110 section 15; CP"

          def check(page)
            if %w[dns connect closed tls timeout].include?(page.error) && page.status.nil? && page.mentioned?
              fault(page, about: page.error)
            end
          end
        end
      end
    end
  end
end
