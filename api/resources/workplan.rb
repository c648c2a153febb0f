# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # What is to be done about a site: its fixes, laid out in time.
      module Workplan
        # What the routes share.
        module View
          def workplan
            {
              made_at: site.fixes_made_at&.iso8601,
              owners: site.workplan_settings.fetch(Work::Workplan::Scheduling::OWNERS, []),
              states: Store::Workplan::Fix.of(site).group(:state).count,
              fixes: Work::Workplan::Listing.new(site).brief(params[:state])
            }
          end
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/sites/:site/fixes") { json(workplan) }

          app.post("/api/sites/:site/fixes") do
            fix = Work::Workplan::HandMade.add(site, body_json, by: user.name, now: now)
            status 201
            json(id: fix.name)
          end

          app.get("/api/sites/:site/fixes/:fix") do
            json(Work::Workplan::Listing.new(site).one(Store::Workplan::Fix.named(site, [params[:fix]]).first))
          end

          app.post("/api/sites/:site/fixes/again") do
            ask(Work::Tasks::Kinds::FixesAgain, quick: false, site: site.id, **body_json.transform_keys(&:to_sym))
          end

          app.post("/api/sites/:site/fixes/claim") do
            Work::Workplan::Claiming.call(site, body_json["ids"], by: user.name, now: now)
            json(workplan)
          end
        end
      end
    end
  end
end
