# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # Sites and their settings.
      module Sites
        # What is done with the input of a form.
        module Input
          # Settings, what is wanted, secrets and timetable in one: all of it is kept, or nothing.
          def keep_site(site, input)
            Work::Intents::Wanting.change(site, intents: input["intents"] || [], key_pages: input["key_pages"] || [], by: user.name, now: now) if input["intents"] || input["key_pages"]
            Store::Settings::Secrets.keep(site.id, nil, Store::Settings::Secrets.of(site.id).with(input["secrets"])) if input["secrets"]
            Store::Crawling::Timetable.keep(site, timetable_of(input["timetable"]), now) if input.key?("timetable")
          end

          def timetable_of(given)
            given && Core::Settings::Timetable.new(cron: given["cron"], time_zone: given["time_zone"])
          end
        end

        def self.registered(app)
          app.helpers Input

          app.get("/api/sites") { json(sites: Store::Sites::Site.order(:name).map { |site| Views::Site.new(site).to_h }, removed: Store::Sites::Site.removed.order(:removed_at).map { |one| Views.removed(one, one.name) }) }

          app.post("/api/sites") do
            input = body_json
            site = Store::Sites::Site.transaction do
              Store::Sites::Site.register(name: input["name"], settings: Core::Settings::Crawl.new(input["settings"])).tap { |one| keep_site(one, input) }
            end
            status 201
            json(Views::Site.new(site).to_h)
          end

          app.delete("/api/sites/:site") do
            Work::Sites::Removal.take_site(site, by: user.name, now: now)
            json(Views.removed(site, site.name))
          end

          app.post("/api/sites/:site/back") { json(Views::Site.new(Work::Sites::Removal.bring_site_back(params[:site])).to_h) }

          app.get("/api/sites/:site") { json(Views::Site.new(site).to_h) }

          app.put("/api/sites/:site") do
            input = body_json
            site.transaction do
              site.rename(input["name"])
              site.update!(settings: Core::Settings::Crawl.new(input["settings"]).to_h)
              keep_site(site, input)
            end
            json(Views::Site.new(site.reload).to_h)
          end
        end
      end
    end
  end
end
