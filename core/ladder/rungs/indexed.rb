# frozen_string_literal: true

module IronTrellis
  module Core
    module Ladder
      module Rungs
        # 8: the newest evidence has it in the index, under its own URL.
        module Indexed
          NAME = "indexed"

          # @param evidence [Evidence]
          # @return [Judgement]
          def self.judge(evidence)
            standing = evidence.standing
            return Judgement.unknown if standing.nil?
            return Judgement.pass if standing == Core::Evidence::Standing::IN_INDEX
            return Judgement.pass if standing == Core::Evidence::Standing::HIDDEN && !evidence.wanted

            Judgement.stop(Core::Evidence::Standing.explain(standing, evidence.standing_reason))
          end
        end
      end
    end
  end
end
