# frozen_string_literal: true

require "time"

module IronTrellis
  module Api
    module Resources
      # What the index holds of a site: where pages stand, how that came, and what to do about what it left out.
      module Standing
        # What the routes share.
        module View
          def judged_by
            Store::Evidence::Index.first_of(crawl.site) ||
              raise(Core::Error::Conflict.new("The site has no evidence of an index yet. Import some first."))
          end

          def left_out
            lines = Store::Triage::KeptLines.new(judged_by)
            name =
              (
                if params[:class].to_s.empty?
                  lines.trays.find { |tray| tray[:urls] > tray[:accepted] }&.fetch(:class)
                else
                  params[:class]
                end
              )
            {
              index: judged_by.name,
              sorted_at: judged_by.sorted_at&.iso8601,
              live: judged_by.sorted_live,
              trays: lines.trays,
              class: name,
              **lines.of(name, from: params[:from].to_i)
            }
          end

          def found_for
            limits = crawl.site.limits.for(nil)
            Store::Evidence::FoundFor.new(
              run,
              span: params[:span] || Core::Evidence::Windows::SPANS.first,
              first: (params[:first] || limits.near_win_first).to_f,
              last: (params[:last] || limits.near_win_last).to_f,
              least: (params[:least] || limits.query_impressions).to_i
            )
          end
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/crawls/:crawl/standing") { json(Store::Standing::Now.new(run).call) }

          app.get("/api/crawls/:crawl/standing/history") do
            json(Store::Standing::History.new(run, group: params[:group]).call)
          end

          app.get("/api/crawls/:crawl/left-out") { run && json(left_out) }

          app.post("/api/crawls/:crawl/left-out") do
            run && ask(Work::Tasks::Kinds::Triage, quick: false, index: judged_by.id, fetch: body_json["fetch"])
          end

          app.post("/api/crawls/:crawl/left-out/class") do
            Work::Triage::Classing.call(judged_by, body_json)
            json(left_out)
          end

          app.post("/api/crawls/:crawl/left-out/accept") do
            ids = Work::Triage::Classing.chosen(judged_by, body_json)
            json(Work::Triage::Accepting.new(judged_by).call(ids, by: user.name, now: now))
          end

          app.get("/api/crawls/:crawl/queries") do
            found = found_for
            wanted = {text: params[:text], order: params[:order] || "near", from: params[:from].to_i}
            rows = (params[:by] == "page") ? found.pages(**wanted) : found.queries(**wanted)
            json(windows: run.evidence["windows"], **rows)
          end

          app.get("/api/crawls/:crawl/urls/:url/words") do
            json(Store::Evidence::MarkedPage.new(run).call(url_id, params[:query].to_s))
          end

          app.get("/api/crawls/:crawl/visits") { json(Store::Visits::OfSite.new(run, agent: params[:agent]).call) }

          app.get("/api/crawls/:crawl/urls/:url/index") do
            json(Store::Evidence::OfPage.new(run, url_id).call)
          end

          app.post("/api/crawls/:crawl/urls/:url/index/look") do
            url = Store::Evidence::OfPage.new(run, url_id).url
            ask(Work::Tasks::Kinds::IndexLook, crawl: crawl.id, index: judged_by.id, url: url)
          end
        end
      end
    end
  end
end
