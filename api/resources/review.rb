# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # The content audit: pages against yardsticks, and what becomes of each.
      module Review
        def self.registered(app)
          app.get("/api/crawls/:crawl/review") do
            json(Store::Review::Pages.new(run, group: params[:group]).page(from: params[:from].to_i))
          end

          app.get("/api/crawls/:crawl/review.:format") do
            pages = Store::Review::Pages.new(run, group: params[:group])
            table_file(crawl.site, "review", pages.columns, pages, format: params[:format])
          end

          app.put("/api/sites/:site/review/yardsticks") do
            json(yardsticks: Work::Review::Yardsticks.keep(site, body_json["yardsticks"]))
          end

          app.post("/api/sites/:site/review/import") do
            sent_file { |file| json(Work::Review::Importing.call(site, file, by: user.name, now: now)) }
          end
        end
      end
    end
  end
end
