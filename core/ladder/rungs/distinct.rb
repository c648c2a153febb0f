# frozen_string_literal: true

module IronTrellis
  module Core
    module Ladder
      module Rungs
        # 7: it is not like the site's missing page, has words enough, and is not the weaker copy of another page. Only
        # pages can fail here.
        module Distinct
          NAME = "distinct"
          SAME = 1.0

          # @param evidence [Evidence]
          # @return [Judgement]
          def self.judge(evidence)
            return Judgement.unknown if evidence.status.nil?
            return Judgement.pass unless evidence.kind == "html" && evidence.words && !evidence.kept_out
            return Judgement.stop("it reads like the site's missing page") if evidence.soft_missing
            if evidence.words < evidence.word_floor
              return Judgement.stop("#{evidence.words} words, and the floor is #{evidence.word_floor}")
            end

            Judgement.pass
          end

          # Which pages are copies is known only when all of them were read.
          #
          # @param stands [String] URL of the page that stands for this one
          # @param similarity [Float]
          # @return [Judgement]
          def self.judge_copy(stands, similarity)
            Judgement.stop(
              (similarity < SAME) ? "near copy (#{format("%.2f", similarity)}) of #{stands}" : "copy of #{stands}"
            )
          end
        end
      end
    end
  end
end
