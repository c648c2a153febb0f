# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Reads a sitemap file again, beside what a crawl found.
        module SitemapAgain
          CODE = "sitemap_again"
          DOING = "fetching a sitemap"

          module_function

          # @param input [Hash{String => Object}] crawl (id), url
          # @return [Hash] as Robots::ReadAgain#sitemap
          def call(input, now:)
            Robots::ReadAgain.new(Store::Crawling::Crawl.fetch(input["crawl"]), clock: -> { now }).sitemap(input["url"])
          end
        end
      end
    end
  end
end
