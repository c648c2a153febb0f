# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that should be indexed, passes everything that a crawl can judge, and still waits to be fetched.
        class Waiting < EvidenceRule
          CODE = "waiting"
          TITLE = "Known to the index for long and not fetched"
          GRADE = "stops"
          WHY =
            "An index fetches what it expects something of; a page that waits for weeks is expected to be of little " \
            "use."
          FIX = "Link to it from pages that are fetched often, list it in a sitemap, then ask for it to be fetched."
          KIND = "request"
          SOURCE = "CP"
          DETAILS = {"days" => ["Days", :number]}.freeze

          def check(page, _basis)
            return unless page.wanted && page.passes && page.standing == "waiting" && page.standing_since

            days = (page.standing_date - page.standing_since).to_i
            fault(page, days: days) if days >= settings.waiting_days
          end
        end
      end
    end
  end
end
