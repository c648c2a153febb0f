# frozen_string_literal: true

module IronTrellis
  module Crawl
    # Fetches an origin's robots.txt, following up to five redirects (RFC 9309 section 2.3.1.2).
    class RobotsFetch
      MOST_REDIRECTS = 5
      # At least 500 KiB must be parsed (section 2.5); the rest of a longer file is left unread.
      BODY_LIMIT = 512_000 * 4

      # What came of it: the final status or an error word, and the text. `no_address` is for hosts that do not exist.
      Result = Struct.new(:origin, :status, :error, :body, keyword_init: true) do
        # @param agent [String]
        # @return [Core::Robots::Policy, nil] nil where the host has no address, so that nothing can be said
        def policy(agent)
          return nil if error == "dns"

          Core::Robots::Policy.from_answer(status: error ? nil : status, text: body, agent: agent)
        end
      end

      # @param client [Client]
      # @param url [Core::Url::Parts] any URL of the origin
      # @return [Result]
      def self.call(client, url)
        current = url.dup.tap { |parts| parts.path, parts.query = "/robots.txt", nil }
        MOST_REDIRECTS.succ.times do
          answer = client.fetch(current, body_limit: BODY_LIMIT)
          target = answer.redirect? && next_hop(answer, current)
          return result(url, answer) unless target

          current = target
        end
        # A file behind more redirects counts as unavailable, which means no restriction.
        Result.new(origin: url.origin, status: 404)
      end

      def self.next_hop(answer, current)
        location = answer.headers.first("location")
        location && Core::Url::Resolver.new(current).parts(location)
      end

      def self.result(url, answer)
        status = answer.redirect? ? 404 : answer.status
        body = answer.body.to_s.dup.force_encoding(Encoding::UTF_8).scrub.delete("\0") if status && (200..299).cover?(status)
        Result.new(origin: url.origin, status: status, error: answer.error, body: body)
      end
      private_class_method :next_hop, :result
    end
  end
end
