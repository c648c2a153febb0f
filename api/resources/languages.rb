# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # Who names whom for which language, and the sets that there shall be.
      module Languages
        NOTHING = {
          clusters: [],
          total: 0,
          whole: 0,
          hosts: [],
          layout: {
            places: {},
            ways: [],
            advice: []
          },
          codes: [],
          proposals: []
        }.freeze

        # What the routes share.
        module View
          def language_sets = Store::Languages::LanguageSets.new(run, crawl.site)

          def cluster_named(first)
            cluster =
              (run.languages || {}).fetch("clusters", []).find { |one| one["first"] == first } ||
              raise(Core::Error::NotFound.new("The crawl found no set of languages around #{first}."))
            language_sets.detail(cluster)
          end
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/crawls/:crawl/languages") do
            json(
              (run.languages || NOTHING).merge(
                "decided" => crawl.site.decisions.in_force("languages").values.map(&:view),
                "alone" => language_sets.alone,
                "to_add" => language_sets.still_to_add
              )
            )
          end

          app.get("/api/crawls/:crawl/languages/cluster") { json(cluster_named(params[:first])) }

          app.post("/api/crawls/:crawl/languages/lines") { json(language_sets.lines(body_json["pages"])) }

          app.get("/api/crawls/:crawl/languages/:form") do
            form = Ports::Languages.form(params[:form])
            content_type form::TYPE
            file_of(crawl.site, "languages.#{form::ENDING}")
            form.write(language_sets.carried(missing: params[:missing] == "true", host: params[:host]))
          end

          app.post("/api/sites/:site/languages/import") do
            sent_file do |file|
              importing = Work::Languages::Importing.new(site, file)
              json(importing.call(keep: params[:keep] == "true", by: user.name, now: now, note: params[:note]))
            end
          end
        end
      end
    end
  end
end
