# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that is to be kept out climbs all the same.
        class Stray < PageRule
          CODE = "stray"
          GRADE = "diverts"
          WHY = "It takes crawls and places in results from the pages that matter."
          FIX = "Give it a noindex, or a canonical to the page that stands for it; block it only when it is out."
          SOURCE = "CP"
          NEEDS_ALL = true

          def self.lets_climb? = true

          def check(page)
            fault(page) if page.intent == "keep_out" && page.page? && page.stop.nil?
          end
        end
      end
    end
  end
end
