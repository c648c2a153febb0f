# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # Saved views of the ledger.
      module SavedViews
        # What the routes share.
        module View
          def views_json = json(views: Store::Ledger::SavedView.where(site_id: site.id).order(:name).map(&:view))
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/sites/:site/views") { views_json }

          app.post("/api/sites/:site/views") do
            Work::Ledger::Views.keep(site, body_json, by: user.name, now: now)
            views_json
          end

          app.delete("/api/sites/:site/views/:view") do
            Work::Ledger::Views.drop(site, params[:view])
            views_json
          end
        end
      end
    end
  end
end
