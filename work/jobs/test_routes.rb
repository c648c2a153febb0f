# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Jobs
      # Asks servers for the sources of a site's routes, some seconds at a time; its successor goes on behind the last
      # one.
      class TestRoutes < Runtime::Job
        PORTION = 20

        # (see Runtime::Job.explain)
        def self.explain(given) = "a test of the redirects of #{site_named(given["site_id"])}"

        def run(site_id:, asked_at:)
          site = Store::Sites::Site.find_by(id: site_id)
          deadline = monotonic + SECONDS
          open = site ? untested(site, Time.iso8601(asked_at)) : []
          while open.any? && monotonic < deadline
            Redirects::LiveCheck.new(site, clock: -> { now }).call(open.shift(PORTION))
          end
          go_on(site_id, asked_at, open)
        end

        private

        def untested(site, asked_at)
          done =
            Store::Redirects::RouteTest
              .where(site_id: site.id)
              .where("tested_at >= ?", asked_at)
              .pluck(:source)
              .to_h { |source| [source, true] }
          Store::Redirects::RouteMap.new(site, nil).flattened.reject { |route| done.key?(route.from) }
        end

        def go_on(site_id, asked_at, open)
          ActiveRecord::Base.transaction do
            if open.any?
              Runtime::Queue.enqueue("TestRoutes", {site_id: site_id, asked_at: asked_at})
            end
            finish
          end
        end
      end
    end
  end
end
