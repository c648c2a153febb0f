# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # Crawlers don't fetch it any more (RFC 9309).
        module Blocked
          CODES = [Workplan::Kinds::BLOCK].freeze

          module_function

          # @return [Array(Boolean, String)] nil where robots.txt can't be read: all is shut then (section 2.3.1.4),
          #   which nobody decided
          def call(condition, probe)
            page = probe.page(condition.url)
            shut = page.subject.robots_allowed == false
            return nil, "robots.txt can't be read" if shut && page.subject.robots_line.nil?

            [shut, page.explain]
          end
        end
      end
    end
  end
end
