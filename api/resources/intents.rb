# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # What is wanted of each page: the evidence, what other intents would change, and what has to be written where.
      module Intents
        COLUMNS = %w[step url where action text reason warning].freeze

        # What the routes share.
        module View
          # Whether anything was decided that pages would have to say.
          def decided? = Core::Decisions::Registry.judged.any? { |kind| crawl.site.decisions.values(kind).any? }

          def directives = Store::Intents::DirectiveList.new(run)

          def robots_book = Store::Robots::Drafts.new(run, crawl.site)
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/crawls/:crawl/intent") do
            book = Store::Intents::GroupEvidence.new(run, crawl.site)
            json(groups: book.groups, proposals: book.proposals, windows: run.evidence["windows"])
          end

          app.post("/api/crawls/:crawl/intent/trial") do
            json(Store::Intents::Preview.new(run, crawl.site).call(body_json["values"]))
          end

          app.get("/api/crawls/:crawl/directives") do
            json(**directives.by_group, rows: directives.rows, decided: decided?)
          end

          app.get("/api/crawls/:crawl/directives.:format") do
            table_file(
              crawl.site,
              "directives",
              COLUMNS,
              directives.items.lazy.map { |item| COLUMNS.map { |column| item[column] } },
              format: params[:format]
            )
          end

          app.get("/api/crawls/:crawl/robots") { json(origins: robots_book.origins) }

          app.post("/api/crawls/:crawl/robots/again") do
            run && ask(Work::Tasks::Kinds::RobotsAgain, crawl: crawl.id, origin: body_json["origin"])
          end

          app.post("/api/crawls/:crawl/robots") { json(robots_book.trial(body_json["origin"], body_json["text"])) }
        end
      end
    end
  end
end
