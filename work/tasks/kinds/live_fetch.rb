# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Fetches one URL of a crawl now, as its crawler or as a visitor.
        module LiveFetch
          CODE = "live_fetch"
          DOING = "fetching a page"

          module_function

          # @param input [Hash{String => Object}] crawl (id), url, as
          # @return [Hash] as Crawling::LiveFetch#call
          def call(input, now:)
            Crawling::LiveFetch.new(Store::Crawling::Crawl.fetch(input["crawl"]), input["as"]).call(input["url"])
          end
        end
      end
    end
  end
end
