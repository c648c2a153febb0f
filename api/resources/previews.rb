# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # Trying settings, robots.txt files and timetables out before they are used.
      module Previews
        NEXT = 3
        # URLs of the newest crawl that are tried along with those that were pasted.
        KNOWN = 300
        # Of more it isn't asked what a pattern matches.
        MOST_KNOWN = 20_000

        # What the routes share.
        module Asked
          def asked_site(input) = input["site"] && Store::Sites::Site.fetch(input["site"])

          # Settings that can't be used are an answer here, not an error: they are being typed.
          def scope_trial(input)
            known = asked_site(input)&.known_urls(MOST_KNOWN) || []
            trial = Core::Settings::Preview.new(Core::Settings::Crawl.new(input["settings"]))
            {
              rows: trial.call(input["urls"] + spread(known)).map(&:to_h),
              patterns: trial.patterns(known).map(&:to_h),
              known: known.size,
              problems: []
            }
          rescue Core::Settings::Problems => error
            {rows: [], patterns: [], known: 0, problems: error.data[:problems]}
          end

          def spread(urls) = urls.each_slice([urls.size.fdiv(KNOWN).ceil, 1].max).map(&:first)
        end

        def self.registered(app)
          app.helpers Asked

          app.post("/api/trials/scope") { json(scope_trial(body_json)) }

          app.post("/api/trials/robots") do
            agent, text, urls = body_json.values_at("agent", "text", "urls")
            json(file: nil, rows: Work::Robots::Preview.of(agent, nil).draft(text, urls))
          end

          app.post("/api/trials/robots/now") do
            asked_site(body_json)
            agent, url, urls, site = body_json.values_at("agent", "url", "urls", "site")
            ask(Work::Tasks::Kinds::RobotsTrial, agent: agent, url: url, urls: urls, site: site)
          end

          app.post("/api/trials/timetable") do
            timetable = Core::Settings::Timetable.new(cron: body_json["cron"], time_zone: body_json["time_zone"])
            starts = NEXT.times.each_with_object([]) { |_, list| list << timetable.next_after(list.last || now) }
            json(next: starts.map(&:iso8601))
          end
        end
      end
    end
  end
end
