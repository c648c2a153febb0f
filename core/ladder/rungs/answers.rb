# frozen_string_literal: true

module IronTrellis
  module Core
    module Ladder
      module Rungs
        # 3: the fetch ends in time with a 2xx or a 3xx.
        module Answers
          NAME = "answers"
          ERRORS = {
            "dns" => "its host has no address",
            "connect" => "no connection to its host",
            "closed" => "the connection ended before a whole answer",
            "tls" => "no secure connection (TLS) to its host",
            "timeout" => "no answer in time",
            "too_large" => "the answer is larger than the limit",
            "malformed" => "the answer is not HTTP"
          }.freeze

          # @param evidence [Evidence]
          # @return [Judgement]
          def self.judge(evidence)
            return Judgement.unknown unless evidence.fetched
            return Judgement.stop(ERRORS.fetch(evidence.error)) if evidence.error
            return Judgement.pass if (200..399).cover?(evidence.status)

            Judgement.stop("status #{evidence.status}")
          end
        end
      end
    end
  end
end
