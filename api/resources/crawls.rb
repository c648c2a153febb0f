# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # Crawls: start, progress, pause, resume, stop, and the numbers of the rail.
      module Crawls
        # What the routes share.
        module View
          def crawl_json(crawl) = json(Views::Crawl.new(crawl.reload).to_h)

          # @return [Array<String>, nil] the URLs that a partial crawl is to fetch; nil for a whole one
          def asked_urls(input)
            from = input["from"] or return input["urls"]
            source =
              site.crawls.find_by(id: from["crawl"]) ||
              raise(
                Core::Error::NotFound.new("The site has no crawl #{from["crawl"]} whose URLs could be fetched again.")
              )
            Store::Ledger::Addresses.of(run_of(source), conditions_of(from["where"]))
          end
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/sites/:site/crawls") do
            removed =
              Store::Crawling::Crawl
                .removed
                .where(site_id: site.id)
                .order(:number)
                .map { |one| Views.removed(one, "Crawl #{one.number}") }
            json(crawls: site.crawls.map { |one| Views::Crawl.new(one).to_h }, removed: removed)
          end

          app.post("/api/sites/:site/crawls") do
            input = optional_json
            status 201
            crawl_json(Work::Crawling::Runs.start(site, now: now, urls: asked_urls(input)))
          end

          app.get("/api/crawls/:crawl") { crawl_json(crawl) }

          app.patch("/api/crawls/:crawl") do
            crawl_json(Work::Crawling::Runs.keep(crawl, body_json["kept"]))
          end

          app.delete("/api/crawls/:crawl") do
            Work::Sites::Removal.take_crawl(crawl, by: user.name, now: now)
            json(Views.removed(crawl, "Crawl #{crawl.number}"))
          end

          app.post("/api/crawls/:crawl/back") { crawl_json(Work::Sites::Removal.bring_crawl_back(params[:crawl])) }

          app.post("/api/crawls/:crawl/stop") do
            Work::Crawling::Runs.stop(crawl, now: now)
            crawl_json(crawl)
          end

          app.post("/api/crawls/:crawl/pause") do
            Work::Crawling::Runs.pause(crawl)
            crawl_json(crawl)
          end

          app.post("/api/crawls/:crawl/resume") do
            Work::Crawling::Runs.resume(crawl)
            crawl_json(crawl)
          end

          app.get("/api/crawls/:crawl/live") { json(Store::Crawling::CrawlMonitor.new(crawl).call(now)) }

          app.get("/api/crawls/:crawl/rail") { json(Store::Reports::StageCounts.of(crawl)) }
        end
      end
    end
  end
end
