# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # The site answers with and without www, or under http and https, instead of sending visitors to one of them for
        # good.
        class HostVariants < SiteRule
          CODE = "host-variants"
          TITLE = "Site answers on several hosts"
          ABOUT = "Other address"
          GRADE = "diverts"
          WHY = "Every page then has two addresses, and links and signals are parted between them."
          FIX = "Redirect (301) all of the other address to the one you chose."
          MENDED = "%{about} leads here for good"
          KIND = "server"
          TASK = "Redirect all hosts to one"
          OF_HOST = true
          SOURCE = "RFC 9110 section 15.4; CP"

          def check(site)
            site
              .variants
              .uniq { |origin, probe| [origin, Url::NormalForm.parse(probe["url"]).origin].sort }
              .filter_map do |origin, probe|
                what = wrong(probe) or next
                fault_at(
                  "#{origin}/",
                  about: probe["url"],
                  answers: what,
                  status: probe["status"],
                  location: probe["location"]
                )
              end
          end

          private

          # @return [String, nil] what it does instead of sending visitors on for good
          def wrong(probe)
            status, location = probe.values_at("status", "location")
            return if probe["error"] || status.nil?
            return "with pages of its own" if (200..299).cover?(status)
            return unless location && (300..399).cover?(status)
            return "by a redirect that leads elsewhere" unless Crawling::HostVariants.same_site?(location, probe["url"])

            "by a redirect that is temporary" unless [301, 308].include?(status)
          end
        end
      end
    end
  end
end
