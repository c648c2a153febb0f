# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # Two crawls of a site against each other.
      module Comparison
        # What the routes share.
        module View
          def earlier
            silent = [crawl, named_earlier].find(&:unanswered)
            return named_earlier unless silent

            raise Core::Error::Conflict.new("Crawl #{silent.number} got no answers: it is compared with nothing.")
          end

          def named_earlier
            @earlier ||= params[:with] ? Store::Crawling::Crawl.fetch(params[:with]) : crawl.site.crawl_before(crawl)
            @earlier ||
              raise(
                Core::Error::Conflict.new("There is no earlier crawl of the site to compare with. Crawl it once more.")
              )
          end

          def comparison = Store::Reports::Comparison.new(crawl, earlier)
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/crawls/:crawl/compare") { json(comparison.call.merge(with: earlier.id)) }

          app.get("/api/crawls/:crawl/compare/urls") { json(comparison.urls(params[:move])) }

          app.post("/api/crawls/:crawl/judge") do
            if crawl.state == Store::Crawling::Crawl::FAILED
              Work::Judging::JudgingQueue.of_interrupted(crawl, now: now)
            else
              run && Work::Judging::JudgingQueue.again(crawl, now: now)
            end
            status 202
            crawl_json(crawl)
          end
        end
      end
    end
  end
end
