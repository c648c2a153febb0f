# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Rendering
      # By which requests of rendered pages are made: to which addresses, as whom, at whose speed, and what robots.txt
      # says of each.
      class RequestPolicy
        CRAWLER = "crawler"
        VISITOR = "visitor"
        AGENTS = [CRAWLER, VISITOR].freeze

        # @param addresses [Http::HostResolver]
        # @param profile [Http::RequestProfile] of the crawler
        # @param token [String] the crawler's product token
        # @param ignore_robots [Boolean]
        # @param pace [#call, nil] waits until a host may be asked again
        def initialize(addresses:, profile:, token:, ignore_robots: false, pace: nil)
          @addresses, @profile, @pace = addresses, profile, pace
          @robots = Robots::Policies.new(token, ignore: ignore_robots, before: pace)
        end

        # @return [String] what the browser calls itself as the crawler
        def user_agent = @profile.user_agent

        # @param agent [String] one of AGENTS
        # @return [Http::Client]
        def client(agent) = Http::Client.new(addresses: @addresses, profile: profile(agent))

        # What a browser calls itself, once one was started.
        attr_accessor :visitor_user_agent

        # (see Robots::Policies#decision)
        def decision(parts, client) = @robots.decision(parts, client)

        # @return [Core::Crawling::Answer]
        def fetch(client, parts, **how)
          @pace&.call(parts.authority)
          client.fetch(parts, **how)
        end

        private

        def profile(agent)
          return @profile if agent == CRAWLER

          @profile.dup.tap { |one| one.user_agent = visitor_user_agent || one.user_agent }
        end
      end
    end
  end
end
