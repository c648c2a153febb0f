# frozen_string_literal: true

module IronTrellis
  module Work
    # What one thread of a lane does with each item: sees to the robots policy of its host, then fetches and reads.
    class LaneWorker
      # @param client [Crawl::Client]
      # @param policies [Policies]
      # @param reader [Core::Page::Reader]
      # @param settings [Core::Settings::Crawl]
      # @param clock [#call]
      def initialize(client, policies:, reader:, settings:, clock:)
        @clock = clock
        @client = client
        @policies = policies
        @settings = settings
        @pages = Crawl::PageFetch.new(client: client, reader: reader, policies: policies, ignore_robots: settings.ignore_robots)
      end

      # @param item [#parts]
      # @return [Numeric] seconds that must lie between two requests to its host
      def prepare(item)
        policy = @policies.call(item.parts, @client)
        (@settings.keep_crawl_delay && policy&.delay) || 0
      end

      # @param item [Store::Frontier::Item, Crawl::SitemapTask, Crawl::ProbeTask]
      # @return [Crawl::Outcome, Crawl::SitemapFetch::Result]
      def call(item)
        case item
        when Crawl::SitemapTask then Crawl::SitemapFetch.call(@client, item.parts, now: @clock.call, patient: !item.usual)
        when Crawl::ProbeTask then @pages.probe(item)
        else @pages.call(item)
        end
      end

      # @return [void]
      def close = @client.close
    end
  end
end
