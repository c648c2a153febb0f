# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # Fetching outside of any crawl.
      class OneFetch
        # @param agent [String, nil] product token; nil for the usual one
        # @param resolve [Hash{String => String}] "host:port" => address
        # @param allow_private [Boolean]
        def initialize(agent: nil, resolve: {}, allow_private: false)
          settings = Core::Settings::Crawl.new({"start_urls" => ["http://localhost/"], "agent" => agent}.compact)
          @manner = Fetch::Http::RequestProfile.of(settings, Core::Settings::Secrets.new({}))
          @addresses = Fetch::Http::HostResolver.new(resolve: resolve, allow_private: allow_private)
        end

        # @yieldparam client [Fetch::Http::Client] closed afterwards
        # @return [Object] what the block gives
        def call
          client = Fetch::Http::Client.new(addresses: @addresses, manner: @manner)
          yield client
        ensure
          client&.close
        end
      end
    end
  end
end
