# frozen_string_literal: true

module IronTrellis
  module Core
    module Ladder
      module Rungs
        # 2: its origin's robots.txt lets the chosen agent fetch it (RFC 9309).
        module Allowed
          NAME = "allowed"

          # @param evidence [Evidence]
          # @return [Judgement]
          def self.judge(evidence)
            return Judgement.unknown if evidence.robots_allowed.nil?
            return Judgement.pass if evidence.robots_allowed
            unless evidence.robots_reachable
              return Judgement.stop(evidence.robots_failure || Robots::Failure::UNREADABLE)
            end

            Judgement.stop("robots.txt line #{evidence.robots_line}: #{evidence.robots_rule}")
          end
        end
      end
    end
  end
end
