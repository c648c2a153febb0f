# frozen_string_literal: true

module IronTrellis
  module Core
    module Ladder
      module Rungs
        # 6: its canonical is itself or absent. A malformed one counts as none; where several differ, none wins.
        module Own
          NAME = "own"

          # @param evidence [Evidence]
          # @return [Judgement]
          def self.judge(evidence)
            return Judgement.unknown if evidence.status.nil?

            case evidence.canonical_state
            when "other" then Judgement.stop("canonical is #{evidence.canonical}")
            when "clash" then Judgement.stop("several canonicals that differ")
            else Judgement.pass
            end
          end
        end
      end
    end
  end
end
