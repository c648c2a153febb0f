# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that takes long to answer.
        class Slow < PageRule
          CODE = "slow"
          TITLE = "Slow answer"
          GRADE = "weakens"
          WHY = "Readers leave, and crawlers fetch less of a site that answers slowly."
          FIX = "See what the server does for it: cache, index, or do less."
          MENDED = "answers fast enough"
          KIND = "server"
          TASK = "Speed up slow pages"
          SOURCE = "CP"
          DOCUMENTS = %w[html pdf].freeze

          def check(page)
            if DOCUMENTS.include?(page.kind) && page.status == 200 && page.response_ms &&
                page.response_ms > settings.slow_ms
              fault(page, response_ms: page.response_ms)
            end
          end
        end
      end
    end
  end
end
