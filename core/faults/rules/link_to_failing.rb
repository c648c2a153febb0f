# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An internal link leads to a URL that fails or gives no answer.
        class LinkToFailing < LinkRule
          CODE = "link-to-failing"
          TITLE = "Link to a page that fails"
          ABOUT = "Link leads to"
          GRADE = "weakens"
          WHY = "Who follows it gets nowhere, and crawlers count the failures."
          FIX = "Mend the page, or take the link out until it is."
          MENDED = "its link to %{about} is gone, or that answers"
          KIND = "links"
          TASK = "Fix broken internal links"
          SOURCE = "RFC 9110 section 15.6; CP"
          LINKS = %w[anchor].freeze
          TARGETS = :failing

          def check(source, target, links)
            fault(source, about: target.url, status: target.status, error: target.error, links: links)
          end
        end
      end
    end
  end
end
