# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A link to another site leads nowhere.
        class OutboundMissing < LinkRule
          CODE = "outbound-missing"
          TITLE = "Dead link to another site"
          ABOUT = "Link leads to"
          GRADE = "weakens"
          WHY = "Readers who follow the link get nothing, and a page with dead links looks untended."
          FIX = "Mend the address, link to something else, or take the link out."
          MENDED = "its link to %{about} is gone, or that answers"
          KIND = "links"
          TASK = "Remove dead links to other sites"
          SOURCE = "RFC 9110 section 15.5; CP"
          LINKS = %w[anchor].freeze
          TARGETS = :outside
          # Other refusals (401, 403, 429) are often meant for crawlers alone.
          GONE = [404, 410].freeze
          # Nobody gets there. Who answers late, or closes a connection, may do so to crawlers alone.
          UNREACHABLE = %w[dns connect tls].freeze

          def check(source, target, links)
            status = target.final_status || target.status
            return unless GONE.include?(status) || UNREACHABLE.include?(target.error)

            fault(
              source,
              about: target.url,
              status: status,
              error: target.error,
              reason: Ladder::Rungs::Answers::ERRORS[target.error],
              links: links
            )
          end
        end
      end
    end
  end
end
