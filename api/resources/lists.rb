# frozen_string_literal: true

require "json"

module IronTrellis
  module Api
    module Resources
      # Lists that somebody brings, joined with what is known of their URLs.
      module Lists
        def self.registered(app)
          app.post("/api/sites/:site/lists") do
            ask(
              Work::Tasks::Kinds::ListJoin,
              quick: false,
              site: site.id,
              upload: body_json["file"],
              heading: body_json["heading"],
              fetch: body_json["fetch"]
            )
          end

          app.get("/api/sites/:site/lists/:list.:format") do
            Store::Evidence::Upload.where(site_id: site.id).fetch(params[:list]).with_file do |path|
              lines = File.foreach(path).lazy.map { |line| JSON.parse(line) }
              table_file(site, "list", lines.first, lines.drop(1), format: params[:format])
            rescue JSON::ParserError
              # Another file that was brought or made.
              raise Core::Error::NotFound.new("There is no joined list of this number. Join the list again.")
            end
          end
        end
      end
    end
  end
end
