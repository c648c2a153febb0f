# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # The site is read over http though it answers over https.
        class Insecure < SiteRule
          CODE = "insecure"
          TITLE = "Page answers over plain http"
          ABOUT = "Plain address"
          GRADE = "weakens"
          WHY = "Browsers warn of pages that come unencrypted, and https is preferred where both answer."
          FIX = "Redirect http to https, and link, list and name the https addresses."
          MENDED = "it leads to %{about} for good"
          KIND = "server"
          TASK = "Redirect http to https"
          SOURCE = "RFC 9110 section 4.2.2; CP"

          def check(site)
            site
              .variants
              .select do |origin, probe|
                origin.start_with?("http:") && probe["url"].start_with?("https:") && (200..299).cover?(probe["status"])
              end
              .map { |origin, probe| fault_at("#{origin}/", about: probe["url"]) }
          end
        end
      end
    end
  end
end
