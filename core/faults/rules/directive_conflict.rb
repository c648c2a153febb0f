# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # Robots directives of one page that contradict each other.
        class DirectiveConflict < PageRule
          CODE = "directive-conflict"
          TITLE = "Robots directives disagree"
          ABOUT = "Directives"
          GRADE = "weakens"
          WHY = "Crawlers take the strictest; whoever wrote the other one believes in something else."
          FIX = "Find out which is meant and take the other away."
          MENDED = "its directives say one thing"
          KIND = "directives"
          TASK = "Correct robots directives"
          SOURCE = "Common practice of robots meta and X-Robots-Tag"
          OPPOSITES = [[%w[index all], %w[noindex none]], [%w[follow all], %w[nofollow none]]].freeze

          def check(page)
            said = (page.directives || []).flat_map(&:tokens)
            pair = OPPOSITES.find { |one, other| (said & one).any? && (said & other).any? }
            fault(page, about: (said & pair.flatten).uniq.sort.join(", ")) if pair
          end
        end
      end
    end
  end
end
