# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A script or a stylesheet of the page is missing, or answers with something else.
        class ResourceBroken < LinkRule
          CODE = "resource-broken"
          TITLE = "Script or style doesn't load"
          ABOUT = "Resource"
          GRADE = "weakens"
          WHY = "The page looks and works otherwise than it was made, for readers and for crawlers that draw it."
          FIX = "Put the file back, send it with its own type, or take it out of the page."
          KIND = "server"
          TASK = "Serve scripts and styles that don't load"
          SOURCE = "HTML standard, script and link type stylesheet; WHATWG MIME Sniffing; CP"
          LINKS = %w[script style].freeze
          TARGETS = :unlike_resource

          def check(source, target, _links)
            fault(
              source,
              about: target.url,
              status: target.status,
              error: target.error,
              content_type: target.content_type
            )
          end
        end
      end
    end
  end
end
