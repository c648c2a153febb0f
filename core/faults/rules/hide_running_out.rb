# frozen_string_literal: true

require "time"

module IronTrellis
  module Core
    module Faults
      module Rules
        # A URL hidden for a while whose hide ends soon, though its lasting fix isn't proved.
        class HideRunningOut < EvidenceRule
          CODE = "hide-running-out"
          TITLE = "A hide ends soon and nothing lasting stands behind it"
          ABOUT = "It ends on"
          GRADE = "stops"
          WHY = "When it ends the page is shown again."
          FIX = "Put the lasting fix in place, a noindex, a 404 or 410, and have it proved before the hide ends."
          SOURCE = "CP"
          def self.lets_climb? = true

          def check(page, basis)
            return unless page.hide_ends && page.hide_ends <= basis.today + settings.hide_days

            fault(page, about: page.hide_ends.iso8601)
          end
        end
      end
    end
  end
end
