# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Robots
      # What the robots.txt of hosts lets an agent fetch, each asked for once.
      class Policies
        # @return [String] product token of the agent
        attr_reader :token

        # @param token [String]
        # @param ignore [Boolean] whether anything may be fetched
        # @param before [#call, nil] called with a host and its port before that is asked
        def initialize(token, ignore: false, before: nil)
          @token, @ignore, @before = token, ignore, before
          @known = {}
          @lock = Mutex.new
        end

        # Of a host that gives no answer the request itself tells why.
        #
        # @param parts [Core::Url::Parts]
        # @param client [Http::Client]
        # @return [Core::Robots::Policy::Decision, nil] nil where its host has no address
        def decision(parts, client)
          return Core::Robots::Policy::FREE if @ignore

          policy = policy(parts, client)
          (policy.nil? || policy.answered?) ? policy&.decide(parts) : Core::Robots::Policy::FREE
        end

        private

        def policy(parts, client)
          @lock.synchronize do
            @known.fetch(parts.origin) do
              @before&.call(parts.authority)
              @known[parts.origin] = RobotsFetch.call(client, parts).policy(@token)
            end
          end
        end
      end
    end
  end
end
