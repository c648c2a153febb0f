# frozen_string_literal: true

module IronTrellis
  module Api
    module Routes
      # What a judged crawl holds: the trellis, the ledger, faults, dossiers.
      module Reading
        # What the routes share.
        module Verdicts
          def structure
            run.structure || raise(Core::Error::Conflict.new("Crawl #{crawl.number} was judged before its structure was summed up. Change a limit under Groups, or crawl the site again, to have it judged anew."))
          end

          def dossier = run && Store::Dossier.new(crawl, Integer(params[:url]))
        end

        # The ledger as a file.
        module Export
          def export
            rows = Store::Ledger::Rows.new(run, conditions: conditions, sort: params[:sort] || "url", columns: params[:cols]&.split(","))
            table_file(crawl.site, "crawl-#{crawl.number}", rows.columns, rows, format: params[:format])
          end
        end

        def self.registered(app)
          app.helpers Verdicts, Export

          app.get("/api/crawls/:crawl/trellis") { json(Store::Trellis.new(run, params[:reading] || "all").call) }

          app.get("/api/crawls/:crawl/urls") do
            json(Store::Ledger::Page.new(run, conditions: conditions, sort: params[:sort] || "url", after: params[:after], limit: (params[:limit] || 100).to_i).call)
          end

          app.get("/api/crawls/:crawl/urls.:format") { export }

          app.get("/api/crawls/:crawl/totals") { json(Store::Ledger::Totals.of(run, conditions)) }

          app.get("/api/crawls/:crawl/urls/:url") { json(dossier.call) }

          app.get("/api/crawls/:crawl/structure") { json(structure) }

          app.get("/api/crawls/:crawl/faults") { json(rules: Store::FaultBook.new(run).call) }

          app.get("/api/crawls/:crawl/faults/:code") { json(Store::FaultBook.new(run).occurrences(params[:code])) }

          app.get("/api/crawls/:crawl/urls/:url/history") { json(crawls: dossier.history) }

          app.get("/api/crawls/:crawl/urls/:url/source") { json(dossier.source) }

          app.post("/api/crawls/:crawl/urls/:url/live") { json(Work::LiveFetch.new(crawl, body_json["as"]).call(dossier.address)) }

          app.get("/api/crawls/:crawl/urls/:url/links") { json(dossier.links(params[:direction])) }
        end
      end
    end
  end
end
