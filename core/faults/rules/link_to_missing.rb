# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An internal link leads to a page that answers 4xx.
        class LinkToMissing < LinkRule
          CODE = "link-to-missing"
          TITLE = "Link to a missing page"
          ABOUT = "Link leads to"
          GRADE = "weakens"
          WHY = "The link is a dead end for readers, and what it would pass on is lost."
          FIX = "Mend the address, point the link at the page's successor, or take it out."
          MENDED = "its link to %{about} is gone or leads elsewhere, or that answers"
          KIND = "links"
          TASK = "Fix broken internal links"
          SOURCE = "RFC 9110 section 15.5; CP"
          LINKS = %w[anchor].freeze
          TARGETS = :missing

          def check(source, target, links)
            fault(
              source,
              about: target.url,
              status: target.status,
              links: links,
              cause: LikelyCause.of(source.url, target.url)
            )
          end
        end
      end
    end
  end
end
