# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # Saved views of the ledger.
      module Lenses
        # What the routes share.
        module View
          def lenses_json = json(lenses: Store::Ledger::Lens.where(site_id: site.id).order(:name).map(&:view))
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/sites/:site/lenses") { lenses_json }

          app.post("/api/sites/:site/lenses") do
            Work::Ledger::Lenses.keep(site, body_json, by: user.name, now: now)
            lenses_json
          end

          app.delete("/api/sites/:site/lenses/:lens") do
            Work::Ledger::Lenses.drop(site, params[:lens])
            lenses_json
          end
        end
      end
    end
  end
end
