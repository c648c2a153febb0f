# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # What a session has fetched and not stored yet. What may come out better later is put off instead.
      class OutcomeBuffer
        # Seconds before another try; a server's own wish counts as far as this.
        BACK_OFF = [1, 4, 15, 60].freeze
        MOST_PATIENCE = 120
        # However few come, they are stored after so long.
        LONGEST_SECONDS = 1.5

        # @param held [HeldSlot]
        # @param pool [HostPool]
        # @param outages [Store::Crawling::Outages]
        def initialize(held, pool:, outages:)
          crawl = held.crawl
          @crawl = crawl
          @token = held.token
          @hosts = held.hosts
          @pool = pool
          @outages = outages
          @clock = held.clock
          @retries = crawl.crawl_settings.retries
          @writer =
            Store::Pages::FactsWriter.new(
              crawl,
              slot: held.slot,
              hosts: held.hosts,
              now: held.clock,
              discovery: Core::Crawling::Discovery.new(crawl.crawl_settings, follow: crawl.follow?)
            )
          @sitemaps = Store::Sitemaps::SitemapFiles.new(crawl)
          @probes = Store::Crawling::Probes.new(crawl)
          @samples = Store::Crawling::ThroughputSamples.new(crawl, slot: held.slot)
          @loops = Fetch::Crawling::ParameterLoopDetector.new
          @endless = Fetch::Crawling::EndlessAnswers.new
          @probes.answering.each_value { |row| learn(row) }
          @ours = crawl.crawl_settings.scope.hosts
          @pages = []
          @later = []
          @away = []
        end

        # @return [Integer] pages to be stored
        def size = @pages.size

        # @return [Boolean] whether they have been there for so long that others should see them
        def due? = !@since.nil? && monotonic - @since > LONGEST_SECONDS

        # @param item [Store::Crawling::Frontier::Item, Core::Crawling::SitemapTask, Core::Crawling::ProbeTask]
        # @param outcome [Object] what became of it
        # @return [void]
        def put(item, outcome)
          case item
          when Core::Crawling::SitemapTask then put_sitemap(item, outcome)
          when Core::Crawling::ProbeTask then put_probe(item, outcome)
          else put_page(item, outcome)
          end
        end

        # @return [void]
        def store
          @since = nil
          put_off_later
          wait_for_hosts
          return if @pages.empty?

          @writer.write(@pages, @token)
          @samples.count(@pages.count(&:fetched?))
          @pages.each { |outcome| watch(outcome) }
          @pages.clear
        end

        # @param now [Time]
        # @return [void]
        def sample(now) = @samples.call(now)

        # To be called when all is stored.
        #
        # @param now [Time]
        # @return [void]
        def finish(now) = @samples.finish(now)

        private

        def put_sitemap(item, outcome)
          seconds = @outages.away(item.host_id, @clock.call) if outcome.error == "connect" && waited_for?(item)
          return @sitemaps.store(item, outcome, hosts: @hosts, now: @clock.call) unless seconds

          @sitemaps.put_back(item)
          hold_back(item.host_id, seconds)
        end

        def put_probe(item, outcome)
          @probes.store(item, outcome)
          @endless.learn(item.url, outcome.facts) if outcome.facts && outcome.answer.status == 200 && !item.variant?
        end

        # What another session, or an earlier one, was answered.
        def learn(row)
          @endless.learn(
            row["url"],
            Core::Page::Facts.new(
              titles: [row["title"]].compact,
              text: row["text"].to_s,
              frames: row["frames"] || [],
              menus: row["menus"] || [],
              outline: row["outline"] || []
            )
          )
        end

        def put_page(item, outcome)
          outcome.facts.links = [] if @endless.answer?(outcome)
          if away?(item, outcome) then @away << outcome
          elsif outcome.answer&.transient? && item.tries < @retries then @later << outcome
          else @pages << outcome
          end
          @since ||= monotonic
          heed(item, outcome.answer) if [429, 503].include?(outcome.answer&.status)
        end

        # What lies on a host of ours that can't be reached says nothing of its pages, as long as it may come back.
        def away?(item, outcome) = outcome.answer&.unreachable? && !item.external? && waited_for?(item)

        def waited_for?(item) =
          @retries.positive? && @ours.key?(item.parts.authority) && !@outages.gone?(item.parts.authority)

        def wait_for_hosts
          now = @clock.call
          @outages.back(
            @pages.select { |outcome| outcome.answer&.status }.map { |outcome| outcome.item.host_id }.uniq,
            now
          )
          @away.group_by { |outcome| outcome.item.host_id }.each do |host_id, outcomes|
            seconds = @outages.away(host_id, now)
            # Without a robots.txt the host as a whole is shut, which the next try will find.
            asked, shut = seconds ? [[], outcomes] : outcomes.partition(&:decision)
            @pages.concat(asked)
            @writer.put_off(shut, @token, now + seconds.to_f, counted: false) if shut.any?
            hold_back(host_id, seconds) if seconds
          end
          @away.clear
        end

        def hold_back(host_id, seconds)
          @pool.hold_back(host_id, seconds)
          @hosts.pause(host_id, @clock.call + seconds)
        end

        # A host that asks for patience is left alone by everyone.
        def heed(item, answer)
          seconds = answer.retry_after(@clock.call) or return
          hold_back(item.host_id, [seconds, MOST_PATIENCE].min)
        end

        def put_off_later
          @later.group_by { |outcome| patience(outcome) }.each do |seconds, outcomes|
            @writer.put_off(outcomes, @token, @clock.call + seconds)
          end
          @later.clear
        end

        def patience(outcome)
          wish = outcome.answer.retry_after(@clock.call)
          [wish || BACK_OFF.fetch(outcome.item.tries, BACK_OFF.last), MOST_PATIENCE].min
        end

        def watch(outcome)
          prefix = @loops.see(outcome) or return
          @writer.close_space(
            Fetch::Crawling::ParameterLoopDetector::KIND,
            prefix,
            Fetch::Crawling::ParameterLoopDetector::ENOUGH
          )
        end

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end
