# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # What the auditor settled, by whom and why, and taking it back.
      module Decisions
        MOST = 500

        # What the routes share.
        module View
          def kinds = params[:kind] ? [params[:kind]] : Core::Decisions::Registry.codes

          def about_url
            url = dossier.call.fetch(:url)
            crawl.site.decisions.about(url["url"], url["group"]).map(&:view)
          end
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/sites/:site/decisions") do
            json(decisions: site.decisions.recent(kinds: kinds, limit: MOST).map(&:view))
          end

          app.post("/api/sites/:site/decisions") do
            input = body_json
            json(
              ids:
                Work::Decisions::Decide.decide(
                  site,
                  input["kind"],
                  input["values"],
                  by: user.name,
                  now: now,
                  note: input["note"]
                )
            )
          end

          app.post("/api/sites/:site/decisions/undo") do
            ids = body_json["ids"]
            Work::Decisions::Decide.undo(site, ids, by: user.name, now: now)
            json(ids: ids)
          end

          app.post("/api/crawls/:crawl/decisions/:decision/check") do
            run
            decision = Store::Decisions::Decision.where(site_id: crawl.site_id).fetch(params[:decision])
            ask(Work::Tasks::Kinds::DecisionCheck, crawl: crawl.id, decision: decision.id)
          end

          app.get("/api/crawls/:crawl/urls/:url/decisions") { json(decisions: about_url) }
        end
      end
    end
  end
end
