# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An internal link leads through a redirect.
        class LinkToRedirect < LinkRule
          CODE = "link-to-redirect"
          TITLE = "Link to a redirect"
          ABOUT = "Link leads to"
          GRADE = "weakens"
          WHY = "Each such link costs readers and crawlers a detour that the site could spare them."
          FIX = "Point the link straight at the final address."
          MENDED = "its link to %{about} is gone or leads to where that ends"
          KIND = "links"
          TASK = "Update links to redirects"
          SOURCE = "RFC 9110 section 15.4; CP"
          LINKS = %w[anchor].freeze
          TARGETS = :redirecting

          def check(source, target, links)
            fault(
              source,
              about: target.url,
              final_url: target.final_url,
              final_status: target.final_status,
              links: links
            )
          end
        end
      end
    end
  end
end
