# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # Redirects that there are and those that are wanted: broken addresses with suggestions, the map, its tests, and links to repoint.
      module Redirects
        # What the routes share.
        module View
          def route_book = Store::Redirects::FoundRedirects.new(run, crawl.site)

          def route_map = Store::Redirects::RouteMap.new(site, site.newest_crawl&.verdict_run)

          def route_trial(input)
            whole = Work::Redirects::Addressing.of_site(site, {"subject" => input["from"], "value" => input.slice("to", "status", "kind", "query")})
            from, value = Core::Decisions::Values.read("route", whole["subject"], whole["value"])
            route_map.trial(route_map.route(from, value))
          end

          def import_routes(input)
            routes, bad = Ports::Redirects.reader(input["format"]).read(input["text"])
            values = routes.map { |route| Work::Redirects::Addressing.of_site(site, {"subject" => route.from, "value" => {"to" => route.to, "status" => route.status, "kind" => route.kind, "query" => route.query, "why" => "brought by a file"}}) }
            kept, refused = usable(values, routes)
            ids = Work::Decisions::Deciding.decide(site, "route", kept, by: user.name, now: now, note: input["note"])
            {ids: ids, read: routes.size + bad.size, bad: (bad + refused).sort_by(&:line).map(&:to_h)}
          end

          # What can be read from a file may still be no route that can be used.
          def usable(values, routes)
            bad = []
            kept = values.each_with_index.select do |one, place|
              Core::Decisions::Values.read("route", one["subject"], one["value"])
            rescue Core::Error::InvalidInput => error
              bad << Ports::Tables::CsvRows::Bad.new(line: routes[place].line, why: error.message)
              false
            end
            [kept.map(&:first), bad]
          end

          def write_routes(format)
            writer = Ports::Redirects.writer(format)
            content_type writer::TYPE
            file_of(site, "routes.#{Ports::Redirects::ENDINGS.fetch(format)}")
            writer.write(route_map.flattened)
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

          app.post("/api/sites/:site/routes/import") { json(import_routes(body_json)) }

          app.post("/api/sites/:site/routes/tests") do
            asked_at = now.utc.iso8601(3)
            Work::Runtime::Queue.enqueue(Work::Jobs::TestRoutes, {site_id: site.id, asked_at: asked_at}, queue: Work::Crawling::Runs::QUEUE)
            json(asked_at: asked_at, routes: route_map.flattened.size)
          end

          app.get("/api/sites/:site/routes/:format") { write_routes(params[:format]) }

          app.get("/api/crawls/:crawl/repoint") { json(Store::Redirects::LinksToRepoint.new(run, crawl.site).call) }

          app.get("/api/crawls/:crawl/repoint.:format") do
            table_file(crawl.site, "links-to-repoint", Store::Redirects::LinksToRepoint::COLUMNS, Store::Redirects::LinksToRepoint.new(run, crawl.site).to_enum(:each), format: params[:format])
          end
        end
      end
    end
  end
end
