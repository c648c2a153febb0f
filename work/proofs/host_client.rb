# frozen_string_literal: true

require "securerandom"

module IronTrellis
  module Work
    module Proofs
      # Asks the hosts of a site now, as its crawler, at its speed and past caches: pages with where they lead, and
      # files. Or, to get past caches that don't stand aside, under addresses that no cache can know.
      class HostClient
        PARAMETER = "past-caches"

        # @param crawl [Store::Crawling::Crawl]
        # @param clock [#call] gives the time
        def initialize(crawl, clock:)
          @settings = crawl.crawl_settings
          @profile = Fetch::Http::RequestProfile.of(@settings, crawl.secrets)
          @profile.fresh = true
          @pace = Crawling::Pace.new(@settings.rate)
          @clock = clock
          @robots = {}
        end

        # @param parts [Core::Url::Parts]
        # @param look [PageLook] which reads answers
        # @param past [Boolean] whether under an address that no cache knows
        # @return [Array] the answer, what was read in it, and where it ends: {hops, status, loop}
        def page(parts, look, past: false)
          answer = past ? unmarked(fetch(unknown(parts))) : fetch(parts)
          facts = look.read(parts, answer)
          [answer, facts, follow(parts, answer, facts, look)]
        end

        # @param answer [Core::Crawling::Answer]
        # @return [Boolean] whether it says that a cache gave it (RFC 9111 section 5.1)
        def from_cache?(answer) = !answer.header_lines.nil? && !answer.headers.first("age").nil?

        # @return [Boolean] whether what robots.txt blocks is asked for all the same
        def ignores_robots? = @settings.ignore_robots

        # What robots.txt says now, whether it is kept to or not.
        #
        # @param parts [Core::Url::Parts]
        # @return [Core::Robots::Policy::Decision, nil] nil where its host has no address
        def allowed(parts) = robots(parts).policy(@settings.agent)&.decide(parts)

        # @param parts [Core::Url::Parts] any of the origin
        # @return [Core::Robots::Fetched]
        def robots(parts) =
          @robots[parts.origin] ||= paced(parts) { |client| Fetch::Robots::RobotsFetch.call(client, parts) }

        # @param parts [Core::Url::Parts]
        # @return [Core::Sitemaps::Fetched]
        def sitemap(parts) =
          paced(parts) { |client| Fetch::Sitemaps::SitemapFetch.call(client, parts, now: @clock.call) }

        # @param parts [Core::Url::Parts]
        # @return [Core::Crawling::Answer]
        def fetch(parts) = paced(parts) { |client| client.fetch(parts) }

        # @return [void]
        def close = @client&.close

        private

        def paced(parts)
          @pace.wait(parts.authority)
          @client ||= Fetch::Http::Client.new(addresses: Fetch::Http::HostResolver.of(@settings), profile: @profile)
          yield @client
        end

        def unknown(parts)
          @token ||= SecureRandom.hex(6)
          parts.dup.tap { |one| one.query = [parts.query, "#{PARAMETER}=#{@token}"].compact.join("&") }
        end

        # A page may hand on what was made up, such as in its canonical.
        def unmarked(answer)
          answer.dup.tap do |one|
            one.body = without_token(one.body) if one.body
            one.header_lines = one.header_lines&.map { |line| without_token(line) }
          end
        end

        def without_token(text)
          sign = /(\?|&(?:amp;|\#38;)?)#{PARAMETER}=#{@token}(&(?:amp;|\#38;)?)?/n
          text.b.gsub(sign) { ($1 == "?" && $2) ? "?" : $2 }.force_encoding(text.encoding)
        end

        # Where a redirect or a refresh of 0 s leads, as far as it goes on.
        def follow(parts, answer, facts, look)
          follower = Crawling::RedirectFollower.new(read: look.method(:read)) { |target| fetch(target) }
          ended = follower.call(parts, answer, facts)
          return {hops: ended.hops, status: nil, loop: true} if ended.how == :loop

          {hops: ended.hops, status: ended.answer.status}
        end
      end
    end
  end
end
