# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An hreflang leads to a page with a noindex.
        class HreflangToNoindex < LinkRule
          CODE = "hreflang-to-noindex"
          TITLE = "Language link to a noindexed page"
          ABOUT = "Leads to"
          GRADE = "diverts"
          WHY = "It can't be shown to readers of that language."
          FIX = "Take the noindex off, or the page out of the set."
          KIND = "languages"
          SOURCE = "CP"
          LINKS = %w[hreflang].freeze
          TARGETS = :noindexed

          def check(source, target, _links)
            fault(source, about: target.url)
          end
        end
      end
    end
  end
end
