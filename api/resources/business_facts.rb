# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # How the business of a site is written on its pages and elsewhere.
      module BusinessFacts
        # What the routes share.
        module View
          def business_facts = Work::BusinessFacts::Overview.new(site)
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/sites/:site/business-facts") { json(business_facts.call) }

          app.put("/api/sites/:site/business-facts") do
            business_facts.choose(body_json)
            json(business_facts.call)
          end

          app.post("/api/sites/:site/business-facts/listings") do
            business_facts.bring(body_json["text"])
            json(business_facts.call)
          end

          app.get("/api/sites/:site/business-facts/to-correct.csv") do
            attachment "to-correct.csv"
            content_type "text/csv"
            business_facts.to_correct
          end

          app.post("/api/sites/:site/business-facts/fix") do
            status 201
            json(id: business_facts.fix(by: user.name, now: now).name)
          end
        end
      end
    end
  end
end
