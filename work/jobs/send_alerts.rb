# frozen_string_literal: true

module IronTrellis
  module Work
    module Jobs
      # Sends the alerts of a site, and comes again for what didn't arrive.
      class SendAlerts < Runtime::Job
        # (see Runtime::Job.explain)
        def self.explain(given) = "sending of alerts of #{site_named(given["site_id"])}"

        def run(site_id:)
          site = Store::Sites::Site.find_by(id: site_id) or return finish
          again = Alerts::Sending.new(site, now: now).call
          finish
          return unless again

          Runtime::Queue.enqueue("SendAlerts", {site_id: site_id}, at: now + again)
        end
      end
    end
  end
end
