# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # What one thread of a host's queue does with each item: sees to the robots policy of its host, then fetches and
      # reads.
      class FetchWorker
        # @param client [Fetch::Http::Client]
        # @param robots [RobotsCache]
        # @param reader [Core::Page::Reader]
        # @param settings [Core::Settings::Crawl]
        # @param clock [#call]
        # @param render [#call, nil] as of Fetch::Crawling::PageFetch
        def initialize(client, robots:, reader:, settings:, clock:, render: nil)
          @clock = clock
          @client = client
          @robots = robots
          @settings = settings
          @pages =
            Fetch::Crawling::PageFetch.new(
              client: client,
              reader: reader,
              robots: robots,
              ignore_robots: settings.ignore_robots,
              render: render
            )
        end

        # @param item [#parts]
        # @return [Numeric] seconds that must lie between two requests to its host
        def prepare(item)
          policy = @robots.call(item.parts, @client)
          (@settings.keep_crawl_delay && policy&.delay) || 0
        rescue Fetch::Http::FetchError
          0
        end

        # @param item [Store::Crawling::Frontier::Item, Core::Crawling::SitemapTask, Core::Crawling::ProbeTask]
        # @return [Core::Crawling::Outcome, Core::Sitemaps::Fetched]
        def call(item)
          case item
          when Core::Crawling::SitemapTask
            Fetch::Sitemaps::SitemapFetch.call(@client, item.parts, now: @clock.call, patient: !item.usual)
          when Core::Crawling::ProbeTask
            @pages.probe(item)
          else
            @pages.call(item)
          end
        end

        # @return [void]
        def close = @client.close
      end
    end
  end
end
