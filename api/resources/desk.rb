# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # The words of single pages: what each is to be found for, what it is held against, what it shall say.
      module Desk
        # What the routes share.
        module View
          def desk_sheet = Work::Desk::Sheet.new(site, url_id, now: now)

          def desk_task(kind) = ask(kind, quick: false, site: site.id, page: desk_sheet.page.url_id)
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/sites/:site/desk") do
            json(pages: Store::Desk::WorthWorkingOn.of(site.newest_verdicts).call(params[:text]))
          end

          app.get("/api/sites/:site/desk/:url") { json(desk_sheet.call) }

          app.put("/api/sites/:site/desk/:url") do
            desk_sheet.keep(body_json, by: user.name)
            json(desk_sheet.call)
          end

          app.get("/api/sites/:site/desk/:url/pictures") { json(pictures: desk_sheet.previews) }

          app.post("/api/sites/:site/desk/:url/read") { desk_task(Work::Tasks::Kinds::DeskRead) }

          app.post("/api/sites/:site/desk/:url/preview") { desk_task(Work::Tasks::Kinds::DraftRendered) }

          app.post("/api/sites/:site/desk/:url/data") { json(text: desk_sheet.marked_up(body_json)) }

          app.post("/api/sites/:site/desk/:url/files") do
            desk_sheet.add_file(body_json["name"], body_json["text"].b, by: user.name)
            json(desk_sheet.call)
          end

          app.post("/api/sites/:site/desk/:url/hand-over") do
            fix = Work::Desk::HandingOver.new(site, desk_sheet, now: now).call(by: user.name)
            status 201
            json(id: fix.name)
          end

          app.post("/api/sites/:site/best-pages") do
            ask(Work::Tasks::Kinds::BestPages, site: site.id, phrase: body_json["phrase"])
          end
        end
      end
    end
  end
end
