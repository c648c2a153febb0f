# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # Lines of a robots.txt that no crawler reads.
        class RobotsSyntax < SiteRule
          CODE = "robots-syntax"
          TITLE = "robots.txt has lines that don't count"
          ABOUT = "Line"
          SAME = "why"
          GRADE = "weakens"
          WHY = "What is meant by them doesn't happen."
          FIX = "Mend or remove the lines that are named."
          KIND = "robots"
          TASK = "Correct robots.txt"
          SOURCE = "RFC 9309 section 2.2"

          def self.identity(fault) = fault.detail[:text]

          def check(site)
            site.robots_files.flat_map do |file|
              Robots::Syntax
                .flaws(file["body"].to_s)
                .map do |flaw|
                  fault_at("#{file["origin"]}/robots.txt", about: flaw.line.to_s, text: flaw.text, why: flaw.why)
                end
            end
          end
        end
      end
    end
  end
end
