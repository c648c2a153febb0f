# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A robots.txt that answers 5xx or not at all.
        class RobotsUnreadable < SiteRule
          CODE = "robots-unreadable"
          TITLE = "robots.txt can't be read"
          GRADE = "stops"
          WHY = "Crawlers take it for a closed door: nothing on the host is fetched."
          FIX = "Let it answer 200, or 404 if there is nothing to say."
          MENDED = "it can be read"
          KIND = "robots"
          TASK = "Make robots.txt answer"
          SOURCE = "RFC 9309 section 2.3.1.4"

          def check(site)
            shut =
              site
                .robots
                .reject { |file| file["error"] == "dns" }
                .select { |file| file["error"] || file["status"] >= 500 }
            shut.map { |file| fault_at("#{file["origin"]}/robots.txt", status: file["status"], error: file["error"]) }
          end
        end
      end
    end
  end
end
