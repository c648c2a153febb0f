# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # What a host answers under its other addresses, and for pages that aren't there.
        module Hosts
          CODES = %w[host-variants insecure missing-page-bare].freeze

          # @return [Array(Boolean, String)]
          def self.call(condition, world)
            probe = world.probe(condition.about) or return ByCrawl.call(condition, world)
            origin = Crawling::HostVariants.origin(probe)
            site = Faults::SiteEvidence.new(probes: [probe], serving: [origin].compact)
            rule = Faults::Registry.fetch(condition.code)
            found = "#{condition.about} answers #{probe["status"] || probe["error"]}"
            found += " and leads to #{probe["location"]}" if probe["location"]
            [world.judge(rule, nil).check(site).empty?, found]
          end
        end
      end
    end
  end
end
