# frozen_string_literal: true

module IronTrellis
  module Work
    module Jobs
      # Makes the fixes of a site anew after its newest crawl was judged, and tells what somebody has to hear of.
      class RemakeFixes < Runtime::Job
        LONG = true

        # (see Runtime::Job.explain)
        def self.explain(given) = "the fixes of #{site_named(given["site_id"])}"

        def run(site_id:)
          site = Store::Sites::Site.find_by(id: site_id)
          if site
            Workplan::RegenerateFixes.keep_up(site, now: now)
            Alerts::Watching.new(site, now: now).after_crawl
          end
          finish
        rescue Core::Error::Conflict
          # Its crawls are gone: there is nothing to make fixes of.
          finish
        end
      end
    end
  end
end
