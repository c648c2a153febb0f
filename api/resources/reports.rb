# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # What a judged crawl holds: the trellis, the ledger, faults, dossiers.
      module Reports
        # What the routes share.
        module Verdicts
          def structure
            run.structure ||
              raise(
                Core::Error::Conflict.new(
                  "Crawl #{crawl.number} was judged before its structure was summed up. Change a limit under Groups, " \
                  "or crawl the site again, to have it judged anew."
                )
              )
          end

          def places =
            @places ||=
              Store::Reports::FaultPlaces.new(
                run,
                params[:code],
                {group: params[:group], host: params[:host], same: params[:same], text: params[:text]}
              )

          def gathered = @gathered ||= Store::Ledger::Gathered.new(run, params[:by], conditions: conditions)

          def dossier = run && Store::Reports::Dossier.new(crawl, url_id)
        end

        # The ledger as a file.
        module Export
          def export
            rows =
              Store::Ledger::Rows.new(
                run,
                conditions: conditions,
                sort: params[:sort] || "url",
                columns: params[:cols]&.split(",")
              )
            table_file(crawl.site, "crawl-#{crawl.number}", rows.columns, rows, format: params[:format])
          end
        end

        def self.registered(app)
          app.helpers Verdicts, Export

          app.get("/api/crawls/:crawl/trellis") do
            json(Store::Reports::Trellis.new(run, params[:reading] || "all").call)
          end

          app.get("/api/crawls/:crawl/urls") do
            json(
              Store::Ledger::Page.new(
                run,
                conditions: conditions,
                sort: params[:sort] || "url",
                after: params[:after],
                limit: (params[:limit] || 100).to_i
              ).call
            )
          end

          app.get("/api/crawls/:crawl/urls.:format") { export }

          app.get("/api/crawls/:crawl/gathered") { json(gathered.call) }

          app.get("/api/crawls/:crawl/gathered.:format") do
            table_file(
              crawl.site,
              "crawl-#{crawl.number}-by-#{params[:by]}",
              gathered.columns,
              gathered,
              format: params[:format]
            )
          end

          app.get("/api/crawls/:crawl/totals") { json(Store::Ledger::Totals.of(run, conditions)) }

          app.get("/api/crawls/:crawl/urls/:url") { json(dossier.call) }

          app.get("/api/crawls/:crawl/structure") { json(structure) }

          app.get("/api/rules") do
            json(
              rules: Core::Faults::Registry.all.map { |rule| {code: rule.code, title: rule.title, grade: rule.grade} }
            )
          end

          app.get("/api/crawls/:crawl/faults") do
            book = Store::Reports::Causes.new(run, group: params[:group], host: params[:host])
            json(rules: book.call, **book.places)
          end

          app.get("/api/crawls/:crawl/faults/:code") { json(places.occurrences(from: params[:from].to_i)) }

          app.get("/api/crawls/:crawl/faults/:code/gathered") { json(places.gathered) }

          app.get("/api/crawls/:crawl/faults/:code/places.:format") do
            table_file(
              crawl.site,
              "crawl-#{crawl.number}-#{params[:code]}",
              places.columns,
              places,
              format: params[:format]
            )
          end

          app.get("/api/crawls/:crawl/urls/:url/history") { json(crawls: dossier.history) }

          app.get("/api/crawls/:crawl/urls/:url/source") { json(dossier.source) }

          app.post("/api/crawls/:crawl/urls/:url/live") do
            ask(Work::Tasks::Kinds::LiveFetch, crawl: crawl.id, url: dossier.address, as: body_json["as"])
          end
        end
      end
    end
  end
end
