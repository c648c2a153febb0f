# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Asks the pages of a decision whether it is there.
        module DecisionCheck
          CODE = "decision_check"
          DOING = "a look at a decision"

          module_function

          # @param input [Hash{String => Object}] crawl, decision (ids)
          # @return [Hash] as Decisions::CheckNow#call
          def call(input, now:)
            crawl = Store::Crawling::Crawl.fetch(input["crawl"])
            decisions = Store::Decisions::Decision.where(site_id: crawl.site_id)
            Decisions::CheckNow.new(crawl).call(decisions.fetch(input["decision"]))
          end
        end
      end
    end
  end
end
