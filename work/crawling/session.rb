# frozen_string_literal: true

require "securerandom"
require "socket"

module IronTrellis
  module Work
    module Crawling
      # One slot of a crawl at work: leases URLs, hands them to the queues of their hosts, stores what comes back. It
      # lives as long as one slice of the job; all that must last is in the database.
      class Session
        # Rows are stored when this many are there, or when the first of them has waited for a while.
        WRITE_AT = 100
        WAIT_SECONDS = 0.25
        TEND_SECONDS = 1.0
        MOST_IDLE_SECONDS = 3
        NAME = "#{Socket.gethostname}:#{Process.pid}"

        # @param crawl [Store::Crawling::Crawl]
        # @param slot [Integer]
        # @param clock [#call] gives the time
        def initialize(crawl, slot:, clock:)
          @crawl = crawl
          @slot = slot
          @clock = clock
          @settings = crawl.crawl_settings
          # Made here, as the fetching threads must not ask the database.
          @profile = Fetch::Http::RequestProfile.of(@settings, crawl.secrets)
          @addresses = Fetch::Http::HostResolver.of(@settings)
          @token = SecureRandom.random_number(1 << 62)
          @hosts = Store::Crawling::Hosts.new(crawl)
          @outages = Store::Crawling::Outages.new(crawl)
          @robots = RobotsCache.new(crawl, agent: @settings.agent, hosts: @hosts, outages: @outages)
          @pool = HostPool.new(@settings, hosts: @hosts, token: @token, clock: clock) { fetch_worker }
          held = HeldSlot.new(crawl: crawl, slot: slot, token: @token, hosts: @hosts, clock: clock)
          @dispatcher = Dispatcher.new(held, @pool)
          @buffer = OutcomeBuffer.new(held, pool: @pool, outages: @outages)
          @tended_at = -Float::INFINITY
        end

        # Crawls until there is nothing left to lease, or the block says to end. What was begun is finished and stored.
        #
        # @yieldreturn [Boolean] whether to end
        # @return [void]
        def run(&ending)
          take_over
          go_on(&ending)
          drain
          @dispatcher.release
          @buffer.finish(@clock.call)
          Store::Crawling::CrawlSlots.left(@crawl.id, @slot, @token)
        ensure
          @pool.close
        end

        private

        # What an earlier session of this slot held goes back; if it ended without saying so, it died over it.
        def take_over
          Store::Crawling::CrawlSlots.crashed?(@crawl.id, @slot) ? @dispatcher.release_after_crash : @dispatcher.release
          tend
        end

        def go_on
          until yield
            tend if monotonic - @tended_at >= TEND_SECONDS
            @dispatcher.hand_out
            if @pool.open_items.zero? && !more?
              break unless worth_waiting?

              sleep(WAIT_SECONDS)
            end
            collect
            store if @buffer.size >= WRITE_AT || @buffer.due? || @pool.open_items.zero?
          end
        end

        # What others hold may bring more, and of what they have they may give up a share.
        def worth_waiting?
          @idle_since ||= monotonic
          @sessions > 1 && monotonic - @idle_since < MOST_IDLE_SECONDS &&
            @crawl.frontier.open_states.values_at(:waiting, :leased).any?
        end

        # Looks once more before it ends: what was just stored may have brought new URLs and hosts.
        def more?
          store
          tend
          @dispatcher.hand_out
          @pool.open_items.positive? || @dispatcher.hand_out_quarantined
        end

        def tend
          @tended_at = monotonic
          now = @clock.call
          Store::Crawling::CrawlSlots.seen(@crawl.id, @slot, @token, NAME, now)
          @crawl.frontier.wake(now)
          @outages.refresh
          @sessions = Store::Crawling::CrawlSlots.active(@crawl.id, now).size.clamp(1, @crawl.slots)
          @pool.tend(@sessions)
          @buffer.sample(now)
        end

        # Takes in what has come, waiting a moment for the first.
        def collect
          @idle_since = nil if @pool.open_items.positive?
          deadline = monotonic + WAIT_SECONDS
          while @buffer.size < WRITE_AT && @pool.open_items.positive? && monotonic < deadline
            result = @pool.next_result(deadline - monotonic) or break
            keep(*result)
          end
        end

        def keep(_queue, item, outcome)
          raise outcome if outcome.is_a?(Exception)

          outcome ? @buffer.put(item, outcome) : @pool.hand(item)
        end

        def store
          @robots.keep_new(@clock.call, sitemaps: @settings.read_sitemaps)
          @buffer.store
        end

        # What no thread has begun goes back to the frontier.
        def drain
          @pool.abandon
          while @pool.open_items.positive?
            tend if monotonic - @tended_at >= TEND_SECONDS
            _, item, outcome = @pool.next_result(WAIT_SECONDS)
            raise outcome if outcome.is_a?(Exception)

            @buffer.put(item, outcome) if outcome
          end
          store
        end

        def fetch_worker
          client = Fetch::Http::Client.new(addresses: @addresses, profile: @profile)
          FetchWorker.new(
            client,
            robots: @robots,
            settings: @settings,
            clock: @clock,
            render: (Rendering::CrawlBrowsers.of(@crawl) if @settings.rendering == "rendered"),
            reader: Core::Page::Reader.new(agent: @settings.agent, drop: @settings.dropped_parameters)
          )
        end

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end
