# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # What somebody has to hear of, and who hears of it; what a person has to do today.
      module Alerts
        # What the routes share.
        module View
          def alerts
            all = Store::Alerts::Alert.of(site)
            {
              unseen: all.where(seen_at: nil).count,
              alerts: all.includes(:deliveries).limit(Store::Alerts::Alert::MOST).map(&:view),
              kinds: Core::Alerts::Alert::KINDS,
              settings: Work::Alerts::Settings.new(site).to_h
            }
          end
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/sites/:site/alerts") { json(alerts) }

          app.post("/api/sites/:site/alerts/seen") do
            Work::Alerts::Watching.seen(site, body_json["ids"], now: now)
            json(alerts)
          end

          app.put("/api/sites/:site/alerts") do
            Work::Alerts::Settings.new(site).keep(body_json)
            json(alerts)
          end

          app.get("/api/sites/:site/today") { json(lines: Work::Workplan::Today.new(site, now: now).call) }
        end
      end
    end
  end
end
