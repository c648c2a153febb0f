# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A robots.txt of more than 500 KiB.
        class RobotsTooBig < SiteRule
          CODE = "robots-too-big"
          TITLE = "robots.txt too large"
          GRADE = "weakens"
          WHY = "Crawlers need not read further than that; rules beyond it may not count."
          FIX = "Say the same with fewer rules, by patterns."
          KIND = "robots"
          TASK = "Shorten robots.txt"
          SOURCE = "RFC 9309 section 2.5"
          MOST_BYTES = 500 * 1024

          def check(site)
            site
              .robots_files
              .select { |file| file["body"].to_s.bytesize > MOST_BYTES }
              .map { |file| fault_at("#{file["origin"]}/robots.txt", bytes: file["body"].bytesize) }
          end
        end
      end
    end
  end
end
