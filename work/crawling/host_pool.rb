# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # The hosts that one session of a crawl asks at the moment, each through a queue, and its right to do so: the
      # slots that it holds of them. What a host allows is shared evenly by all sessions of the crawl.
      class HostPool
        MOST = 32
        BATCH = 100
        # A queue of limited speed holds what it can ask for in so many seconds.
        AHEAD_SECONDS = 4
        # Requests are begun only so long after the slots were renewed: well before others may take them over.
        SURE_SECONDS = Store::Crawling::Hosts::LEASE_SECONDS - 1.5

        attr_reader :results

        # @param settings [Core::Settings::Crawl]
        # @param hosts [Store::Crawling::Hosts]
        # @param token [Integer] of the session
        # @param clock [#call]
        # @yield makes a worker for one thread of a queue
        def initialize(settings, hosts:, token:, clock:, &make_worker)
          @settings = settings
          @ours = settings.scope.hosts
          @hosts = hosts
          @token = token
          @clock = clock
          @make_worker = make_worker
          @results = TimedQueue.new
          @queues = {}
          @open = Hash.new(0)
          @sure_until = monotonic + SURE_SECONDS
        end

        # To be called about once a second: renews the slots, gives back what others have a right to, takes what is
        # free.
        #
        # @param sessions [Integer] how many sessions work on this crawl
        # @return [void]
        def tend(sessions)
          asked_at = monotonic
          held = @hosts.renew(@token)
          @queues.each { |host_id, queue| queue.lose(queue.slots.reject { |slot| held[host_id].include?(slot.slot) }) }
          @sure_until = asked_at + SURE_SECONDS
          work = @hosts.with_work(@clock.call)
          close_idle(work)
          @queues.each { |host_id, queue| balance(host_id, queue, sessions, work.key?(host_id)) }
          (work.keys - @queues.keys)
            .first(MOST - @queues.size)
            .each { |host_id| begin_one(host_id, work[host_id], sessions) }
        end

        # @return [Hash{Integer => Integer}] by host, how many more URLs it should be handed
        def wants
          @queues.filter_map do |host_id, queue|
            ahead = ahead(queue)
            [host_id, ahead - queue.backlog] if queue.slots.any? && queue.backlog <= ahead / 2
          end.to_h
        end

        # @return [Array<Integer>] ids of the hosts asked
        def host_ids = @queues.keys

        # @param item [#host_id]
        # @return [void]
        def hand(item)
          queue = @queues.fetch(item.host_id)
          @open[queue] += 1
          queue << item
        end

        # @param seconds [Numeric] to wait for one
        # @return [Array(Fetch::Crawling::HostQueue, Object, Object), nil] queue, item, outcome
        def next_result(seconds)
          result = @results.pop(seconds) or return
          @open[result.first] -= 1
          result
        end

        # @return [Integer] items that were handed out and haven't come back
        def open_items = @open.each_value.sum

        # @param host_id [Integer]
        # @param seconds [Numeric] for which the host asks us to wait
        # @return [void]
        def hold_back(host_id, seconds) = @queues[host_id]&.hold_back(seconds)

        # Takes back what nobody has begun.
        #
        # @return [void]
        def abandon
          @queues.each_value { |queue| @open[queue] -= queue.abandon.size }
        end

        # Ends all queues once they are done with what they began, and gives the slots back.
        #
        # @return [void]
        def close
          @queues.each_value(&:abandon)
          @queues.each_value(&:close)
          @queues.each_value { |queue| @hosts.give_back(queue.shrink(0), @token) }
          @queues.clear
        end

        private

        def close_idle(work)
          idle = @queues.reject { |host_id, queue| work.key?(host_id) || @open[queue].positive? }
          idle.each do |host_id, queue|
            queue.close
            @hosts.give_back(queue.shrink(0), @token)
            @open.delete(queue)
            @queues.delete(host_id)
          end
        end

        def balance(host_id, queue, sessions, has_work)
          share = share(queue.authority, sessions)
          if queue.slots.size > share then @hosts.give_back(queue.shrink(share), @token)
          elsif queue.slots.size < share && has_work then queue.grow(take(host_id, queue, share - queue.slots.size))
          end
        end

        def begin_one(host_id, authority, sessions)
          queue =
            Fetch::Crawling::HostQueue.new(
              authority,
              of: slots_of(authority),
              rate: @settings.rate,
              results: @results,
              allowed: -> { monotonic < @sure_until },
              &@make_worker
            )
          slots = take(host_id, queue, share(authority, sessions))
          return if slots.empty?

          queue.grow(slots)
          @queues[host_id] = queue
        end

        def take(host_id, queue, count)
          @hosts.take(host_id, count, of: slots_of(queue.authority), token: @token, gap: queue.gap_of_a_slot)
        end

        # Hosts that are only linked to are asked one thing at a time.
        def slots_of(authority) = @ours.key?(authority) ? @settings.concurrency : 1

        def share(authority, sessions) = (slots_of(authority) / sessions.to_f).ceil

        def ahead(queue)
          return [BATCH, queue.slots.size].max if @settings.rate.zero?

          (@settings.rate * queue.slots.size / slots_of(queue.authority) * AHEAD_SECONDS).ceil.clamp(
            queue.slots.size,
            BATCH
          )
        end

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end
