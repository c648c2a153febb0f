# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # The links that a crawl found, and the images that its pages show.
      module Links
        # What the routes share.
        module Found
          def links
            run
            @links ||=
              Store::Links::Table.new(
                crawl,
                where: tree(params[:where]),
                sort: params[:sort],
                **(params[:cols] ? {only: params[:cols].split(",")} : {})
              )
          end

          def images
            run
            @images ||= Store::Links::Images.new(crawl, text: params[:text], alt: params[:alt], sort: params[:sort])
          end
        end

        def self.registered(app)
          app.helpers Found

          app.get("/api/crawls/:crawl/links") { json(links.page(from: params[:from].to_i)) }

          app.get("/api/crawls/:crawl/links.:format") do
            table_file(crawl.site, "crawl-#{crawl.number}-links", links.columns_of_file, links, format: params[:format])
          end

          app.get("/api/crawls/:crawl/links/totals") { json(links.totals) }

          app.get("/api/crawls/:crawl/links/gathered") { json(links.gathered(params[:by])) }

          app.get("/api/crawls/:crawl/images") { json(images.page(from: params[:from].to_i)) }

          app.get("/api/crawls/:crawl/images.:format") do
            table_file(crawl.site, "crawl-#{crawl.number}-images", images.columns, images, format: params[:format])
          end

          app.get("/api/crawls/:crawl/urls/:url/image") do
            type, body = Work::Crawling::LiveFetch.new(crawl, "visitor").image(dossier.address)
            content_type type
            cache_control :private, max_age: 3600
            headers "Content-Security-Policy" => "default-src 'none'; style-src 'unsafe-inline'; sandbox"
            body
          end
        end
      end
    end
  end
end
