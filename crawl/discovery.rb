# frozen_string_literal: true

module IronTrellis
  module Crawl
    # Which URLs a page brings into the crawl, and whether each is to be fetched: links that are followed, redirects,
    # canonicals and hreflang as pages; images, scripts and styles by HEAD; what may not be followed, or lies too
    # deep, is known but not fetched.
    class Discovery
      Found = Struct.new(:url, :purpose, :fetch, :depth, keyword_init: true)

      CLICKS = %w[anchor frame refresh].freeze
      REFERENCES = %w[canonical hreflang].freeze
      RESOURCES = %w[image script style].freeze

      # How many URLs are remembered as known to the crawl, so that they aren't offered again.
      MEMORY = 200_000

      # @param scope [Core::Url::Scope]
      # @param max_depth [Integer]
      def initialize(scope:, max_depth:)
        @scope = scope
        @max_depth = max_depth
        @settled = {}
      end

      # Tells that these were stored. Pages to be fetched need no second mention; what is only known, or known as a
      # resource, may still turn out to be more.
      #
      # @param urls [Array<String>]
      # @return [void]
      def settle(urls)
        @settled.clear if @settled.size > MEMORY
        urls.each { |url| @settled[url] = true }
      end

      # @param outcome [Outcome]
      # @return [Array<Found>] URLs in scope that aren't settled, each once
      def call(outcome)
        depth = outcome.item.depth
        found = {}
        keep(found, outcome.redirect_to, :page, true, depth) if outcome.redirect_to
        outcome.facts&.links&.each { |link| consider(found, link, depth + 1) }
        found.values
      end

      private

      def consider(found, link, depth)
        if CLICKS.include?(link.type) then keep(found, link.target, :page, link.followed, depth)
        elsif REFERENCES.include?(link.type) then keep(found, link.target, :page, true, depth)
        elsif RESOURCES.include?(link.type) then keep(found, link.target, :resource, true, depth)
        end
      end

      def keep(found, url, purpose, fetch, depth)
        return if @settled.key?(url)

        fetch &&= purpose == :resource || depth <= @max_depth
        known = found[url]
        return upgrade(known, purpose, fetch) if known
        return unless @scope.cover?(url)

        found[url] = Found.new(url: url, purpose: purpose, fetch: fetch, depth: depth)
      end

      def upgrade(known, purpose, fetch)
        known.fetch ||= fetch
        known.purpose = :page if purpose == :page && fetch
      end
    end
  end
end
