# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # What indexes are to be asked for: pages to fetch again within their quota, pages to hide for a while.
      module Requests
        # What the routes share.
        module View
          def requests = Work::Requests::Overview.new(site, now: now).call

          def queue = Work::Requests::Queue.new(site, now: now)
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/sites/:site/requests") { json(requests) }

          app.post("/api/sites/:site/requests") do
            queue.add(body_json["urls"], linked: body_json["linked"] || false, by: user.name)
            json(requests)
          end

          app.post("/api/sites/:site/requests/tick") do
            queue.tick(body_json["ids"], body_json["state"])
            json(requests)
          end

          app.post("/api/sites/:site/requests/ask") do
            ask(Work::Tasks::Kinds::RequestsSent, site: site.id, index: body_json["index"])
          end

          app.post("/api/sites/:site/hides") do
            ask(Work::Tasks::Kinds::PageHidden, site: site.id, **body_json.transform_keys(&:to_sym))
          end
        end
      end
    end
  end
end
