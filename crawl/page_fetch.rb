# frozen_string_literal: true

module IronTrellis
  module Crawl
    # Takes one URL of the frontier through robots.txt, request and reading.
    class PageFetch
      # Servers that don't know HEAD, or refuse it, are asked again with GET.
      HEAD_REFUSED = [400, 403, 405, 501].freeze

      # @param client [Client]
      # @param reader [Core::Page::Reader]
      # @param policies [#call] gives the robots policy of a URL, nil where its host has no address
      # @param ignore_robots [Boolean] fetch what is disallowed too
      def initialize(client:, reader:, policies:, ignore_robots:)
        @client = client
        @reader = reader
        @policies = policies
        @ignore_robots = ignore_robots
      end

      # @param item [#parts, #head?] a URL of the frontier
      # @return [Outcome]
      def call(item)
        url = item.parts
        decision = @policies.call(url, @client)&.decide(url)
        return Outcome.new(item: item, decision: decision) if decision && !decision.allowed? && !@ignore_robots

        answer = item.head? ? head(url) : @client.fetch(url)
        Outcome.new(item: item, decision: decision, answer: answer, facts: read(url, answer), redirect_to: redirect(url, answer))
      end

      private

      def head(url)
        answer = @client.fetch(url, verb: :head)
        HEAD_REFUSED.include?(answer.status) ? @client.fetch(url) : answer
      end

      def read(url, answer)
        return nil if answer.status.nil?

        facts = @reader.call(url: url, header_lines: answer.header_lines, body: answer.error ? "".b : answer.body.to_s)
        # What an error page or a redirect's note links to leads nobody on.
        facts.links = [] unless (200..299).cover?(answer.status)
        facts
      end

      def redirect(url, answer)
        return nil unless answer.redirect?

        location = answer.headers.first("location")
        location && Core::Url::Resolver.new(url).call(location)
      end
    end
  end
end
