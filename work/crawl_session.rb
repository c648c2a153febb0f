# frozen_string_literal: true

module IronTrellis
  module Work
    # One slot of a crawl at work: leases URLs, hands them to lanes (one a host), stores what comes back. It lives as long
    # as one slice of the job; all that must last is in the database.
    class CrawlSession
      BATCH = 100
      # Rows are stored when this many are there, or when nothing came for a while.
      WRITE_AT = 100
      WAIT_SECONDS = 0.25

      # @param crawl [Store::Crawl]
      # @param slot [Integer]
      # @param clock [#call] gives the time
      def initialize(crawl, slot:, clock:)
        @crawl = crawl
        @slot = slot
        @clock = clock
        @settings = crawl.crawl_settings
        @scope = @settings.scope
        @addresses = Crawl::AddressBook.new(resolve: @settings.resolve, allow_private: @settings.allow_private)
        @results = ::Queue.new
        @lanes = {}
        @policies = Policies.new(crawl, agent: @settings.agent)
        @writer = Store::FactsWriter.new(crawl, slot: slot, scope: @scope, now: clock,
          discovery: Crawl::Discovery.new(scope: @scope, max_depth: @settings.max_depth))
        @token = SecureRandom.random_number(1 << 62)
        @in_flight = 0
      end

      # Crawls until there is nothing left to lease, or the block says to end. What was begun is finished and stored.
      #
      # @yieldreturn [Boolean] whether to end
      # @return [void]
      def run(&ending)
        @crawl.frontier.release(@slot)
        read_sitemaps(&ending)
        fetch(&ending)
      ensure
        close_lanes
      end

      private

      def fetch
        outcomes = []
        until yield
          lease if @in_flight < BATCH
          break if @in_flight.zero? && !read_sitemaps { false }

          collect(outcomes)
          write(outcomes) if outcomes.size >= WRITE_AT || @in_flight.zero?
        end
        drain(outcomes)
      end

      def lease
        items = @crawl.frontier.lease(@slot, @token, count: BATCH, limit: @settings.limit)
        items.each { |item| lane(item.parts.authority) << item }
        @in_flight += items.size
      end

      # Takes in what has come, waiting a moment for the first.
      def collect(outcomes)
        deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + WAIT_SECONDS
        while outcomes.size < WRITE_AT && @in_flight.positive?
          outcome = take(deadline) or break
          raise outcome if outcome.is_a?(Exception)

          outcomes << outcome
          @in_flight -= 1
        end
      end

      def take(deadline)
        @results.pop(true)
      rescue ThreadError
        return nil if Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline

        sleep 0.002
        retry
      end

      def write(outcomes)
        @policies.keep_new(@clock.call)
        return if outcomes.empty?

        @writer.write(outcomes, @token)
        outcomes.clear
      end

      # What no lane has begun goes back to the frontier at the next slice's start.
      def drain(outcomes)
        @in_flight -= @lanes.each_value.sum { |lane| lane.abandon.size }
        collect(outcomes) while @in_flight.positive?
        write(outcomes)
        @crawl.frontier.release(@slot)
      end

      # @return [Boolean] whether any was read
      def read_sitemaps
        @policies.keep_new(@clock.call)
        files = Store::SitemapFiles.new(@crawl)
        read = false
        until yield
          taken = files.take do |file|
            result = Crawl::SitemapFetch.call(sitemap_client, Core::Url::NormalForm.parse(file["url"]))
            files.store(file, result, scope: @scope, now: @clock.call)
          end
          break unless taken

          read = true
        end
        read
      end

      def lane(host)
        @lanes[host] ||= Crawl::Lane.new(concurrency: share(@settings.concurrency).ceil, rate: share(@settings.rate), results: @results) { worker }
      end

      # The limits hold for the crawl as a whole, so each slot has its share of them.
      def share(limit) = limit / @crawl.slots.to_f

      def worker
        client = client()
        fetch = Crawl::PageFetch.new(client: client, reader: Core::Page::Reader.new(agent: @settings.agent), policies: @policies,
          ignore_robots: @settings.ignore_robots)
        Worker.new(client, fetch)
      end

      def client
        Crawl::Client.new(addresses: @addresses, user_agent: @settings.user_agent, seconds: @settings.seconds, body_limit: @settings.body_limit)
      end

      def sitemap_client = @sitemap_client ||= client

      def close_lanes
        @lanes.each_value(&:abandon)
        @lanes.each_value(&:close)
        @sitemap_client&.close
      end

      # What a lane's thread calls.
      Worker = Struct.new(:client, :fetch) do
        def call(item) = fetch.call(item)

        def close = client.close
      end
      private_constant :Worker
    end
  end
end
