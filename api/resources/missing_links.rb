# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # Links that should be on a site, its topics, and links out that lead nowhere any more.
      module MissingLinks
        def self.registered(app)
          app.get("/api/sites/:site/missing-links") { json(Work::MissingLinks::Overview.new(site).call) }

          app.post("/api/sites/:site/missing-links") do
            ask(Work::Tasks::Kinds::LinksSought, quick: false, site: site.id)
          end
        end
      end
    end
  end
end
