# frozen_string_literal: true

module IronTrellis
  module Api
    module Routes
      # Sites and their settings.
      module Sites
        def self.registered(app)
          app.get("/api/sites") { json(sites: Store::Site.order(:name).map { |site| Views::Site.new(site).to_h }) }

          app.post("/api/sites") do
            input = body_json
            site = Store::Site.transaction do
              Store::Site.found(name: input["name"], settings: Core::Settings::Crawl.new(input["settings"]))
                .tap { |one| one.want(intents: input["intents"] || [], key_pages: input["key_pages"] || []) }
            end
            status 201
            json(Views::Site.new(site).to_h)
          end

          app.get("/api/sites/:site") { json(Views::Site.new(site).to_h) }

          app.put("/api/sites/:site") do
            input = body_json
            site.transaction do
              site.rename(input["name"])
              site.update!(settings: Core::Settings::Crawl.new(input["settings"]).to_h)
              site.want(intents: input["intents"], key_pages: input["key_pages"] || []) if input["intents"]
            end
            json(Views::Site.new(site).to_h)
          end
        end
      end
    end
  end
end
