# frozen_string_literal: true

module IronTrellis
  module Core
    module Ladder
      module Rungs
        # 1: a followed link path from a start URL leads to it, or a sitemap of the site lists it. What a page
        # embeds (images, scripts, styles) is found with the page.
        module Found
          NAME = "found"

          # @param evidence [Evidence]
          # @return [Judgement]
          def self.judge(evidence)
            return Judgement.unknown unless evidence.whole
            if evidence.start || evidence.depth || evidence.listed || evidence.embedded || evidence.kept_out
              return Judgement.pass
            end

            Judgement.stop("no followed link path leads here and no sitemap lists it")
          end
        end
      end
    end
  end
end
