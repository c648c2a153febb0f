# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that comes over https embeds something over http.
        class MixedContent < LinkRule
          CODE = "mixed-content"
          TITLE = "https page loads over http"
          ABOUT = "Resource"
          GRADE = "weakens"
          WHY = "Browsers block it, and warn of the page."
          FIX = "Embed it over https."
          KIND = "server"
          TASK = "Load everything over https"
          SOURCE = "W3C, Mixed Content"
          LINKS = %w[style script image frame].freeze
          TARGETS = :unencrypted

          def check(source, target, _links)
            fault(source, about: target.url) if source.url.start_with?("https:")
          end
        end
      end
    end
  end
end
