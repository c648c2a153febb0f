# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # Redirects that there are and those that are wanted: broken addresses with suggestions, the map, its tests, and
      # links to repoint.
      module Redirects
        # What the routes share.
        module View
          def route_book = Store::Redirects::FoundRedirects.new(run, crawl.site)

          def route_map = Store::Redirects::RouteMap.new(site, site.newest_crawl&.verdict_run)

          def route_trial(input)
            kind, settings = Core::Decisions::Registry.fetch("route"), site.crawl_settings
            asked = input.slice("to", "status", "kind", "query")
            from, value = Core::Decisions::Registry.read(
              "route",
              *kind.placed(input["from"], asked) { |address| settings.whole(address) }
            )
            route_map.trial(route_map.route(from, value))
          end

          def write_routes(format)
            writer = Ports::Redirects.writer(format)
            content_type writer::TYPE
            file_of(site, "routes.#{writer::ENDING}")
            Ports::Redirects.write(format, route_map.flattened)
          end
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/crawls/:crawl/redirects") { json(route_book.observed(params[:kind] || "all")) }

          app.get("/api/crawls/:crawl/broken") { json(route_book.broken) }

          app.post("/api/crawls/:crawl/suggestions") do
            status 202
            json(asked: Work::Redirects::SuggestedTargets.ask(run, now: now))
          end

          app.get("/api/sites/:site/routes") { json(route_map.call) }

          app.post("/api/sites/:site/routes/trial") { json(route_trial(body_json)) }

          app.post("/api/sites/:site/routes/import") do
            sent_file do |file|
              importing = Work::Redirects::Importing.new(site, params[:format], file)
              json(importing.call(by: user.name, now: now, note: params[:note]))
            end
          end

          app.post("/api/sites/:site/routes/tests") do
            json(asked_at: Work::Redirects::LiveCheck.ask(site, now: now), routes: route_map.flattened.size)
          end

          app.get("/api/sites/:site/routes/:format") { write_routes(params[:format]) }

          app.get("/api/crawls/:crawl/repoint") { json(Store::Redirects::LinksToRepoint.new(run, crawl.site).call) }

          app.get("/api/crawls/:crawl/repoint.:format") do
            table_file(
              crawl.site,
              "links-to-repoint",
              Store::Redirects::LinksToRepoint::COLUMNS,
              Store::Redirects::LinksToRepoint.new(run, crawl.site).to_enum(:each),
              format: params[:format]
            )
          end
        end
      end
    end
  end
end
