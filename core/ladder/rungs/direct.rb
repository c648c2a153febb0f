# frozen_string_literal: true

module IronTrellis
  module Core
    module Ladder
      module Rungs
        # 4: it is itself the answer: no 3xx, no instant refresh.
        module Direct
          NAME = "direct"

          # @param evidence [Evidence]
          # @return [Judgement]
          def self.judge(evidence)
            return Judgement.unknown if evidence.status.nil?
            return Judgement.stop(moved(evidence)) if (300..399).cover?(evidence.status)
            return Judgement.stop("an instant refresh to #{evidence.refresh_to}") if evidence.refresh_to

            Judgement.pass
          end

          def self.moved(evidence)
            return "status #{evidence.status} without a usable Location" unless evidence.redirect_to

            "#{evidence.status} to #{evidence.redirect_to}"
          end
          private_class_method :moved
        end
      end
    end
  end
end
