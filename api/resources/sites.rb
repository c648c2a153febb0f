# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # Sites and their settings.
      module Sites
        def self.registered(app)
          app.get("/api/sites") do
            json(
              sites: Store::Sites::Site.order(:name).map { |site| Views::Site.new(site).to_h },
              removed: Store::Sites::Site.removed.order(:removed_at).map { |one| Views.removed(one, one.name) }
            )
          end

          app.post("/api/sites") do
            status 201
            json(Views::Site.new(Work::Sites::Keeping.make(body_json, by: user.name, now: now)).to_h)
          end

          app.delete("/api/sites/:site") do
            Work::Sites::Removal.take_site(site, by: user.name, now: now)
            json(Views.removed(site, site.name))
          end

          app.post("/api/sites/:site/back") do
            json(Views::Site.new(Work::Sites::Removal.bring_site_back(params[:site])).to_h)
          end

          app.get("/api/sites/:site") { json(Views::Site.new(site).to_h) }

          app.put("/api/sites/:site") do
            json(Views::Site.new(Work::Sites::Keeping.change(site, body_json, by: user.name, now: now)).to_h)
          end
        end
      end
    end
  end
end
