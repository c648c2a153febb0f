# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A stylesheet, script or image that a page needs is blocked by robots.txt.
        class BlockedResource < LinkRule
          CODE = "blocked-resource"
          TITLE = "Resource blocked by robots.txt"
          ABOUT = "Resource"
          GRADE = "weakens"
          WHY = "Crawlers that draw the page see it broken."
          FIX = "Allow it in robots.txt."
          MENDED = "%{about}, which it needs, may be fetched by robots.txt"
          KIND = "robots"
          TASK = "Allow scripts and styles in robots.txt"
          SOURCE = "RFC 9309; CP"
          LINKS = %w[style script image].freeze
          TARGETS = :blocked

          def check(source, target, _links)
            fault(source, about: target.url, line: target.robots_line)
          end
        end
      end
    end
  end
end
