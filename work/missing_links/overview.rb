# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module MissingLinks
      # Links that should be, with what was decided about each, topics, and links out to hosts that are lost.
      class Overview
        OPEN = "open"
        ACCEPTED = "accepted"
        REFUSED = "refused"

        # @param site [Store::Sites::Site]
        def initialize(site)
          @site = site
          @decided = site.decisions.values("link")
        end

        # @return [Hash] made_at (nil where nobody looked yet), proposals, topics and lost
        def call
          found = Store::MissingLinks::Found.of(@site)
          {
            made_at: found&.made_at&.iso8601,
            proposals: (found&.proposals || []).map { |one| one.merge("state" => state(one)) },
            topics: found&.topics || [],
            lost: Store::MissingLinks::LostHosts.new(@site.newest_verdicts).call
          }
        end

        private

        def state(proposal)
          value = @decided[proposal["source"]] || {}
          return ACCEPTED if (value["links"] || []).any? { |one| one["target"] == proposal["target"] }

          (value["refused"] || []).include?(proposal["target"]) ? REFUSED : OPEN
        end
      end
    end
  end
end
