# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # Pages as crawlers read them, and as their scripts leave them.
      module Rendering
        def self.registered(app)
          app.get("/api/crawls/:crawl/urls/:url/reading") do
            json(Store::Reports::AsRead.new(crawl, url_id).call(params[:query].to_s))
          end

          app.post("/api/crawls/:crawl/urls/:url/looks") do
            address = Store::Reports::Dossier.new(crawl, url_id).address
            ask(Work::Tasks::Kinds::PageRendered, crawl: crawl.id, url: address)
          end
        end
      end
    end
  end
end
