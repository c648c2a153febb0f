# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # Fetching outside of any crawl.
      class OneFetch
        # @param agent [String, nil] product token; nil for the usual one
        # @param addresses [Fetch::Http::HostResolver] where it may go; nowhere private unless given
        # @param profile [Fetch::Http::RequestProfile] how it asks; without anything secret unless given
        def initialize(
          agent: nil, addresses: Fetch::Http::HostResolver.new(resolve: {}, allow_private: false), profile: nil
        )
          @addresses = addresses
          @profile = profile || plain(agent)
        end

        # Goes to private addresses of the hosts that were named only, where it may.
        #
        # @param urls [Array<String>] that are named on the command line
        # @param resolve [Hash{String => String}]
        # @param allow_private [Boolean]
        # @return [OneFetch]
        def self.named(urls, resolve: {}, allow_private: false)
          hosts = urls.filter_map { |url| Core::Url::NormalForm.parse?(url)&.authority }
          new(
            addresses:
              Fetch::Http::HostResolver.new(
                resolve: resolve,
                allow_private: allow_private && ->(authority) { hosts.include?(authority) }
              )
          )
        end

        # @param settings [Core::Settings::Crawl]
        # @param secrets [Core::Settings::Secrets]
        # @return [OneFetch] that asks as a crawl by these settings does
        def self.of(settings, secrets)
          addresses = Fetch::Http::HostResolver.of(settings)
          new(addresses: addresses, profile: Fetch::Http::RequestProfile.of(settings, secrets))
        end

        # @param agent [String, nil]
        # @return [OneFetch] that goes anywhere: for the command line, whose user sees this machine's network anyway
        def self.anywhere(agent: nil) =
          new(agent: agent, addresses: Fetch::Http::HostResolver.new(resolve: {}, allow_private: true))

        # @yieldparam client [Fetch::Http::Client] closed afterwards
        # @return [Object] what the block gives
        def call
          client = Fetch::Http::Client.new(addresses: @addresses, profile: @profile)
          yield client
        ensure
          client&.close
        end

        private

        def plain(agent)
          settings = Core::Settings::Crawl.new({"start_urls" => ["http://localhost/"], "agent" => agent}.compact)
          Fetch::Http::RequestProfile.of(settings, Core::Settings::Secrets.new({}))
        end
      end
    end
  end
end
