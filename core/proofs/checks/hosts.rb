# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # What a host answers under its other addresses, and for pages that aren't there.
        module Hosts
          CODES = %w[host-variants insecure missing-page-bare].freeze

          # @return [Array(Boolean, String)]
          def self.call(condition, probe)
            answer = probe.probe(condition.about) or return ByCrawl.call(condition, probe)
            origin = Crawling::HostVariants.origin(answer)
            site = Faults::SiteEvidence.new(probes: [answer], serving: [origin].compact)
            rule = Faults::Registry.fetch(condition.code)
            found = "#{condition.about} answers #{answer["status"] || answer["error"]}"
            found += " and leads to #{answer["location"]}" if answer["location"]
            [probe.judge(rule, nil).check(site).empty?, found]
          end
        end
      end
    end
  end
end
