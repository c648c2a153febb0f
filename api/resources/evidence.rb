# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # What a site is judged by besides its crawl: indexes, files that are brought, and taking them back.
      module Evidence
        # A file is looked into before it is known what it is.
        ROWS_SHOWN = 5
        MOST_WORDS = 40
        LOOKED_INTO = 2_000

        # What the routes share.
        module View
          def index = @index ||= Store::Evidence::Index.of(site).fetch(params[:index])

          # The beginning of a file, so that it can be said which column is which.
          def looked_into(path)
            Ports::Tables::UploadedTable.open(path) do |table|
              rows = table.to_enum(:each).lazy.filter_map { |cells, _, _| cells }.first(LOOKED_INTO)
              {
                headings: table.headings,
                rows: rows.first(ROWS_SHOWN),
                words:
                  table.headings.each_index.map { |place| rows.filter_map { |row| row[place] }.uniq.first(MOST_WORDS) }
              }
            end
          rescue Core::Error::InvalidInput => error
            {headings: [], rows: [], words: [], problem: error.message}
          end
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/sites/:site/evidence") { json(Store::Evidence::Overview.new(site).call) }

          app.post("/api/sites/:site/indexes") do
            status 201
            json(id: Work::Evidence::Indexes.add(site, body_json, now: now).id)
          end

          app.put("/api/sites/:site/indexes/:index") { json(id: Work::Evidence::Indexes.change(index, body_json).id) }

          app.delete("/api/sites/:site/indexes/:index") do
            json(id: Work::Evidence::Indexes.remove(index, site, now: now))
          end

          app.post("/api/sites/:site/indexes/:index/test") { ask(Work::Tasks::Kinds::IndexTest, index: index.id) }

          app.post("/api/sites/:site/indexes/:index/pull") do
            ask(Work::Tasks::Kinds::EvidencePull, quick: false, index: index.id, by: user.name)
          end

          app.post("/api/sites/:site/indexes/:index/sitemaps") do
            # It is named as the index knows it, not in normal form.
            Core::Url::NormalForm.parse(body_json["url"])
            ask(Work::Tasks::Kinds::SitemapSent, index: index.id, **body_json.transform_keys(&:to_sym))
          end

          app.put("/api/sites/:site/evidence/settings") do
            Work::Evidence::Indexes.settle(site, body_json, now: now)
            json(Store::Evidence::Overview.new(site.reload).call)
          end

          app.post("/api/sites/:site/evidence/files") do
            sent_file do |file|
              upload = Store::Evidence::Upload.keep(site, params[:name], file, now: now)
              json({file: upload.id, name: upload.name}.merge(looked_into(file.path)))
            end
          end

          app.post("/api/sites/:site/evidence/imports") do
            fields = %w[kind index date columns words whole].to_h { |name| [name.to_sym, body_json[name]] }
            ask(
              Work::Tasks::Kinds::EvidenceImport,
              quick: false,
              site: site.id,
              upload: body_json["file"],
              by: user.name,
              **fields
            )
          end

          app.post("/api/sites/:site/evidence/logs") do
            ask(
              Work::Tasks::Kinds::LogImport,
              quick: false,
              site: site.id,
              upload: body_json["file"],
              verified: body_json["verified"],
              by: user.name
            )
          end

          app.post("/api/sites/:site/evidence/imports/:import/undo") do
            Work::Evidence::Indexes.undo(site, params[:import], by: user.name, now: now)
            json(Store::Evidence::Overview.new(site).call)
          end

          app.get("/api/sites/:site/evidence/imports/:import/wrong.:format") do
            import = Store::Evidence::Import.where(site_id: site.id).fetch(params[:import])
            rows = (import.result["wrong"] || []).map { |one| one.values_at("line", "why") }
            table_file(site, "wrong-rows", %w[line why], rows, format: params[:format])
          end
        end
      end
    end
  end
end
