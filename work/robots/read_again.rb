# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Robots
      # Reads a robots.txt or a sitemap file again, by itself and now, and lays it beside what the crawl found there.
      # Nothing of it is stored.
      class ReadAgain
        # @param crawl [Store::Crawling::Crawl] judged
        # @param clock [#call] gives the time
        def initialize(crawl, clock:)
          @crawl = crawl
          @clock = clock
          @settings = crawl.crawl_settings
        end

        # @param origin [String] one that the crawl met
        # @return [Hash] at, status, error, text (nil where there is none), and what is otherwise than the crawl found
        #   it: see Store::Robots::Drafts#since
        # @raise [Core::Error::NotFound]
        def robots(origin)
          result = client { |client| Fetch::Robots::RobotsFetch.call(client, Core::Url::NormalForm.parse(origin)) }
          {at: now, status: result.status, error: result.error, text: result.body}.merge(
            Store::Robots::Drafts.new(@crawl.verdict_run, @crawl.site).since(
              origin,
              result.policy(@settings.agent),
              result.body
            )
          )
        end

        # @param url [String] a file that the crawl met
        # @return [Hash] at, status, error, kind, bytes, flaws ([{code, line, about}]), files (that it names), and what
        #   is otherwise than the crawl found it: see Store::Sitemaps::Published#since
        # @raise [Core::Error::NotFound]
        def sitemap(url)
          book = Store::Sitemaps::Published.new(@crawl.verdict_run, @crawl.site.sitemap_plan)
          book.check(url)
          result =
            client do |client|
              Fetch::Sitemaps::SitemapFetch.call(client, Core::Url::NormalForm.parse(url), now: @clock.call)
            end
          reading = result.reading
          {
            at: now,
            status: result.status,
            error: result.error,
            kind: reading&.kind,
            bytes: result.bytes,
            flaws: reading&.flaws.to_a.first(MOST_FLAWS).map(&:to_h),
            files: reading&.sitemaps.to_a
          }.merge(book.since(url, reading&.entries.to_a.filter_map(&:url).uniq))
        end

        MOST_FLAWS = 50

        private

        def now = @clock.call.iso8601

        def client(&block) = Crawling::OneFetch.of(@settings, @crawl.secrets).call(&block)
      end
    end
  end
end
