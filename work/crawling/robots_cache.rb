# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # The robots policy of each origin, fetched once by whichever thread needs it first, and kept for the crawl. With
      # the first answer of a host it becomes known which sitemaps it names, and the host is worth some probes.
      class RobotsCache
        # @param crawl [Store::Crawling::Crawl]
        # @param agent [String]
        # @param hosts [Store::Crawling::Hosts]
        # @param outages [Store::Crawling::Outages]
        def initialize(crawl, agent:, hosts:, outages:)
          @crawl = crawl
          @agent = agent
          @hosts = hosts
          @outages = outages
          @ours = crawl.crawl_settings.retries.positive? ? crawl.crawl_settings.scope.hosts : {}
          @lock = Mutex.new
          @origins = {}
          @new = ::Queue.new
          load
        end

        # @param url [Core::Url::Parts]
        # @param client [Fetch::Http::Client] to fetch it with
        # @return [Core::Robots::Policy, nil] nil where the host has no address
        # @raise [Fetch::Http::FetchError] where a host of ours can't be reached and is still waited for
        def call(url, client)
          @lock.synchronize { @origins[url.origin] ||= Origin.new(Mutex.new) }.then do |origin|
            origin.lock.synchronize do
              next origin.policy if origin.known

              result = Fetch::Robots::RobotsFetch.call(client, url)
              if away?(result, url)
                raise Fetch::Http::FetchError.new("connect", "robots.txt can't be had: nobody answers")
              end

              @new << result
              origin.known = true
              origin.policy = result.policy(@agent)
            end
          end
        end

        # Stores what was fetched since the last call. Only the thread that owns the database connection calls this.
        #
        # @param now [Time]
        # @param sitemaps [Boolean] whether the files that are named are to be read
        # @return [void]
        def keep_new(now, sitemaps:)
          keep(@new.pop(true), now, sitemaps) until @new.empty?
        end

        private

        def away?(result, url) =
          result.error == "connect" && @ours.key?(url.authority) && !@outages.gone?(url.authority)

        Origin = Struct.new(:lock, :known, :policy)

        def load
          Store::Robots::RobotsFiles.all(@crawl.id).each do |row|
            result =
              Core::Robots::Fetched.new(
                origin: row["origin"],
                status: row["status"],
                error: row["error"],
                body: row["body"]
              )
            @origins[row["origin"]] = Origin.new(Mutex.new, true, result.policy(@agent))
          end
        end

        def keep(result, now, sitemaps)
          ActiveRecord::Base.transaction do
            next unless Store::Robots::RobotsFiles.keep(@crawl.id, result, now)

            add_sitemaps(result) if sitemaps
            add_probes(result.origin)
          end
        end

        def add_sitemaps(result)
          named = named_sitemaps(result)
          files = Store::Sitemaps::SitemapFiles.new(@crawl)
          if named.any?
            files.add(named, found: :robots, parent: "#{result.origin}/robots.txt", hosts: @hosts)
          elsif ours?(result.origin) && @crawl.follow_sitemaps?
            files.add(usual_sitemaps(result), found: :usual, parent: nil, hosts: @hosts)
          end
        end

        def named_sitemaps(result)
          resolver = Core::Url::Resolver.new(Core::Url::NormalForm.parse("#{result.origin}/robots.txt"))
          Core::Robots::Ruleset.new(result.body.to_s).sitemaps.filter_map { |location| resolver.call(location) }
        end

        # Nobody named these, so robots.txt is heeded.
        def usual_sitemaps(result)
          policy = result.policy(@agent) or return []
          Core::Sitemaps::Usual
            .of(result.origin)
            .select { |url| policy.decide(Core::Url::NormalForm.split(url)).allowed? }
        end

        def ours?(origin) = @crawl.crawl_settings.scope.hosts.key?(Core::Url::NormalForm.parse(origin).authority)

        def add_probes(origin)
          return unless ours?(origin)

          authority = Core::Url::NormalForm.parse(origin).authority
          variants =
            Core::Crawling::HostVariants.of(origin).select { |_, url| may_ask?(Core::Url::NormalForm.parse(url)) }
          Store::Crawling::Probes.new(@crawl).add(
            @hosts.id(authority),
            {Core::Crawling::HostVariants::MISSING => Core::Crawling::ProbeTask.missing_url(origin)}.merge(variants)
          )
        end

        # Where hosts are mapped to a server, the name of another one leads elsewhere.
        def may_ask?(url)
          mapped = @crawl.crawl_settings.resolve
          mapped.empty? || mapped.key?("#{url.host}:#{url.effective_port}")
        end
      end
    end
  end
end
