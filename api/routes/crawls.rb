# frozen_string_literal: true

module IronTrellis
  module Api
    module Routes
      # Crawls: start, progress, stop, and the numbers of the rail.
      module Crawls
        def self.registered(app)
          app.get("/api/sites/:site/crawls") { json(crawls: site.crawls.map { |one| Views::Crawl.new(one).to_h }) }

          app.post("/api/sites/:site/crawls") do
            status 201
            json(Views::Crawl.new(Work::Crawling.start(site, now: now)).to_h)
          end

          app.get("/api/crawls/:crawl") { json(Views::Crawl.new(crawl).to_h) }

          app.post("/api/crawls/:crawl/stop") do
            Work::Crawling.stop(crawl, now: now)
            json(Views::Crawl.new(crawl.reload).to_h)
          end

          app.get("/api/crawls/:crawl/rail") { json(Store::Rail.of(crawl)) }
        end
      end
    end
  end
end
