# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # The site answers with and without www, or under http and https, instead of sending visitors to one of them.
        class HostVariants < SiteRule
          CODE = "host-variants"
          GRADE = "diverts"
          WHY = "Every page then has two addresses, and links and signals are parted between them."
          FIX = "Redirect (301) all of the other address to the one you chose."
          SOURCE = "CP"

          def check(site)
            [Hosts::Variants::SCHEME, Hosts::Variants::WWW].flat_map { |kind| site.answering(kind) }
              .map { |probe| fault_at(home(site, probe), about: probe["url"]) }
          end

          private

          def home(site, probe)
            site.robots.map { |file| "#{file["origin"]}/" }.find { |url| url.end_with?("://#{probe["authority"]}/") } || site.home
          end
        end
      end
    end
  end
end
