# frozen_string_literal: true

module IronTrellis
  module Work
    # The robots policy of each origin, fetched once by whichever thread needs it first, and kept for the crawl with the
    # sitemaps it names.
    class Policies
      # @param crawl [Store::Crawl]
      # @param agent [String]
      def initialize(crawl, agent:)
        @crawl = crawl
        @agent = agent
        @lock = Mutex.new
        @origins = {}
        @new = ::Queue.new
        load
      end

      # @param url [Core::Url::Parts]
      # @param client [Crawl::Client] to fetch it with
      # @return [Core::Robots::Policy, nil] nil where the host has no address
      def call(url, client)
        @lock.synchronize { @origins[url.origin] ||= Origin.new(Mutex.new) }.then do |origin|
          origin.lock.synchronize do
            next origin.policy if origin.known

            result = Crawl::RobotsFetch.call(client, url)
            @new << result
            origin.known = true
            origin.policy = result.policy(@agent)
          end
        end
      end

      # Stores what was fetched since the last call. Only the thread that owns the database connection calls this.
      #
      # @param now [Time]
      # @return [void]
      def keep_new(now)
        keep(@new.pop(true), now) until @new.empty?
      end

      private

      Origin = Struct.new(:lock, :known, :policy)

      def load
        Store::RobotsFiles.all(@crawl.id).each do |row|
          result = Crawl::RobotsFetch::Result.new(origin: row["origin"], status: row["status"], error: row["error"], body: row["body"])
          @origins[row["origin"]] = Origin.new(Mutex.new, true, result.policy(@agent))
        end
      end

      def keep(result, now)
        return unless Store::RobotsFiles.keep(@crawl.id, result, now) && result.body

        robots_url = "#{result.origin}/robots.txt"
        resolver = Core::Url::Resolver.new(Core::Url::NormalForm.parse(robots_url))
        sitemaps = Core::Robots::Ruleset.new(result.body).sitemaps.filter_map { |location| resolver.call(location) }
        Store::SitemapFiles.new(@crawl).add(sitemaps, parent: robots_url)
      end
    end
  end
end
