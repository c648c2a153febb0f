# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Jobs
      # Drops a site or a crawl that was taken away a day ago, unless it was brought back since.
      class Remove < Runtime::Job
        LONG = true

        # (see Runtime::Job.explain)
        def self.explain(_given) = "the removal of what was taken away"

        def run(removed_at:, site_id: nil, crawl_id: nil)
          gone =
            (
              if site_id
                Store::Sites::Site.removed.find_by(id: site_id)
              else
                Store::Crawling::Crawl.removed.find_by(id: crawl_id)
              end
            )
          gone.drop if gone&.removed_at == Time.iso8601(removed_at)
          finish
        end
      end
    end
  end
end
