# frozen_string_literal: true

module IronTrellis
  module Core
    module Ladder
      module Rungs
        # 5: no noindex for the chosen agent, in meta robots or X-Robots-Tag.
        module Open
          NAME = "open"

          # @param evidence [Evidence]
          # @return [Judgement]
          def self.judge(evidence)
            return Judgement.unknown if evidence.status.nil?
            return Judgement.pass unless evidence.noindex_where

            Judgement.stop("noindex in #{evidence.noindex_where}")
          end
        end
      end
    end
  end
end
