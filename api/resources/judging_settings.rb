# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # What the pages of a site are judged by: groups, limits, weights. Changing them has the newest crawl judged
      # again.
      module JudgingSettings
        # What the routes share.
        module View
          def reading_settings
            fields =
              Core::Settings::Thresholds::FIELDS.values.map do |field|
                {
                  name: field.name,
                  meaning: field.meaning,
                  default: field.default,
                  least: field.range.min,
                  most: field.range.max
                }
              end
            Store::Settings::JudgingSettings
              .new(site)
              .to_h
              .merge(fields: fields, default_weights: Core::Importance::Weights::DEFAULT)
          end

          def group_trial
            newest = site.newest_crawl or
              raise Core::Error::Conflict.new(
                      "The site has no crawl yet whose pages could be put into groups. Crawl it first."
                    )
            Store::Settings::GroupPreview.new(run_of(newest), newest.crawl_settings.main_host)
          end
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/sites/:site/reading") { json(reading_settings) }

          app.put("/api/sites/:site/reading") do
            input = body_json
            Work::Settings::Judging.keep(
              site,
              groups: input["groups"],
              thresholds: input["thresholds"],
              weights: input["weights"],
              by: user.name,
              now: now
            )
            json(reading_settings)
          end

          app.post("/api/sites/:site/groups/trial") { json(group_trial.call(body_json["groups"])) }

          app.get("/api/sites/:site/groups/proposals") { json(groups: Work::Settings::PageGroups.new(site).offers) }
        end
      end
    end
  end
end
