# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # Fetching outside of any crawl.
      class OneFetch
        # @param agent [String, nil] product token; nil for the usual one
        # @param addresses [Fetch::Http::HostResolver] where it may go; nowhere private unless given
        def initialize(agent: nil, addresses: Fetch::Http::HostResolver.new(resolve: {}, allow_private: false))
          settings = Core::Settings::Crawl.new({"start_urls" => ["http://localhost/"], "agent" => agent}.compact)
          @manner = Fetch::Http::RequestProfile.of(settings, Core::Settings::Secrets.new({}))
          @addresses = addresses
        end

        # @param agent [String, nil]
        # @return [OneFetch] that goes anywhere: for the command line, whose user sees this machine's network anyway
        def self.anywhere(agent: nil) =
          new(agent: agent, addresses: Fetch::Http::HostResolver.new(resolve: {}, allow_private: true))

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
