# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Sends a sitemap to an index, or withdraws it, and notes what the index says of all of them then.
        module SitemapSent
          CODE = "sitemap_sent"
          DOING = "sending a sitemap"

          module_function

          # @param input [Hash{String => Object}] index (id), url, withdraw
          # @yield asks whether somebody waits still
          # @return [Hash] url
          def call(input, now:)
            index = Store::Evidence::Index.fetch(input["index"])
            interface = Evidence::Pulling.interface(index, wanted: -> { yield })
            Evidence::SentSitemaps.new(index, interface: interface).call(
              input["url"],
              withdraw: input["withdraw"] || false
            )
            {url: input["url"]}
          end
        end
      end
    end
  end
end
