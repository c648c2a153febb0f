# frozen_string_literal: true

require "securerandom"
require "socket"

module IronTrellis
  module Work
    module Crawling
      # One slot of a crawl at work: leases URLs, hands them to lanes (one a host), stores what comes back. It lives as
      # long as one slice of the job; all that must last is in the database.
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
          # Made here, as the threads of the lanes must not ask the database.
          @manner = Fetch::Http::RequestProfile.of(@settings, crawl.secrets)
          @addresses = Fetch::Http::HostResolver.of(@settings)
          @token = SecureRandom.random_number(1 << 62)
          @hosts = Store::Crawling::Hosts.new(crawl)
          @outages = Store::Crawling::Outages.new(crawl)
          @policies = RobotsCache.new(crawl, agent: @settings.agent, hosts: @hosts, outages: @outages)
          @lanes = HostPool.new(@settings, hosts: @hosts, token: @token, clock: clock) { lane_worker }
          @intake = Dispatcher.new(crawl, slot: slot, token: @token, lanes: @lanes)
          @shelf =
            OutcomeBuffer.new(
              crawl,
              slot: slot,
              token: @token,
              hosts: @hosts,
              lanes: @lanes,
              outages: @outages,
              clock: clock
            )
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
          @intake.release
          @shelf.finish(@clock.call)
          Store::Crawling::CrawlSlots.left(@crawl.id, @slot, @token)
        ensure
          @lanes.close
        end

        private

        # What an earlier session of this slot held goes back; if it ended without saying so, it died over it.
        def take_over
          Store::Crawling::CrawlSlots.crashed?(@crawl.id, @slot) ? @intake.release_after_crash : @intake.release
          tend
        end

        def go_on
          until yield
            tend if monotonic - @tended_at >= TEND_SECONDS
            @intake.hand_out
            if @lanes.open_items.zero? && !more?
              break unless worth_waiting?

              sleep(WAIT_SECONDS)
            end
            collect
            store if @shelf.size >= WRITE_AT || @shelf.due? || @lanes.open_items.zero?
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
          @intake.hand_out
          @lanes.open_items.positive? || @intake.hand_out_apart
        end

        def tend
          @tended_at = monotonic
          now = @clock.call
          Store::Crawling::CrawlSlots.seen(@crawl.id, @slot, @token, NAME, now)
          @crawl.frontier.wake(now)
          @outages.refresh
          @sessions = Store::Crawling::CrawlSlots.active(@crawl.id, now).size.clamp(1, @crawl.slots)
          @lanes.tend(@sessions)
          @shelf.beat(now)
        end

        # Takes in what has come, waiting a moment for the first.
        def collect
          @idle_since = nil if @lanes.open_items.positive?
          deadline = monotonic + WAIT_SECONDS
          while @shelf.size < WRITE_AT && @lanes.open_items.positive? && monotonic < deadline
            result = @lanes.next_result(deadline - monotonic) or break
            keep(*result)
          end
        end

        def keep(_lane, item, outcome)
          raise outcome if outcome.is_a?(Exception)

          outcome ? @shelf.put(item, outcome) : @lanes.hand(item)
        end

        def store
          @policies.keep_new(@clock.call, sitemaps: @settings.read_sitemaps)
          @shelf.store
        end

        # What no lane has begun goes back to the frontier.
        def drain
          @lanes.abandon
          while @lanes.open_items.positive?
            tend if monotonic - @tended_at >= TEND_SECONDS
            _, item, outcome = @lanes.next_result(WAIT_SECONDS)
            raise outcome if outcome.is_a?(Exception)

            @shelf.put(item, outcome) if outcome
          end
          store
        end

        def lane_worker
          client = Fetch::Http::Client.new(addresses: @addresses, manner: @manner)
          FetchWorker.new(
            client,
            policies: @policies,
            settings: @settings,
            clock: @clock,
            reader: Core::Page::Reader.new(agent: @settings.agent, drop: @settings.dropped_parameters)
          )
        end

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end
