# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A link to another site leads nowhere.
        class OutboundMissing < LinkRule
          CODE = "outbound-missing"
          GRADE = "weakens"
          WHY = "Readers who follow the link get nothing, and a page with dead links looks untended."
          FIX = "Mend the address, link to something else, or take the link out."
          SOURCE = "RFC 9110 section 15.5; CP"
          LINKS = %w[anchor].freeze
          TARGETS = :outside
          # Other refusals (401, 403, 429) are often meant for crawlers alone.
          GONE = [404, 410].freeze

          def check(source, target, links)
            fault(source, about: target.url, status: target.status, error: target.error, links: links) if GONE.include?(target.status) || target.error == "dns"
          end
        end
      end
    end
  end
end
