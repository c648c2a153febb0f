# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # Leases work for the hosts that a session asks, and hands it to their pool: sitemap files and probes first, then
      # URLs nearest to the start.
      class Dispatcher
        # @param held [HeldSlot]
        # @param pool [HostPool]
        def initialize(held, pool)
          @crawl, @slot, @token = held.crawl, held.slot, held.token
          @pool = pool
          @limit = @crawl.crawl_settings.limit
          @sitemaps = Store::Sitemaps::SitemapFiles.new(@crawl)
          @probes = Store::Crawling::Probes.new(@crawl)
        end

        # @return [void]
        def hand_out
          wants = @pool.wants
          return if wants.empty?

          @sitemaps
            .take(@slot, wants.keys)
            .each do |row|
              @pool.hand(Core::Crawling::SitemapTask.new(*row.values_at("id", "url", "host_id", "usual")))
            end
          @probes
            .take(@slot, wants.keys)
            .each { |row| @pool.hand(Core::Crawling::ProbeTask.new(*row.values_at("url", "host_id", "kind"))) }
          @crawl.leases.lease(@slot, @token, counts: wants, limit: @limit).each { |item| @pool.hand(item) }
        end

        # Hands out one URL over which workers died, alone, so that it takes nothing with it.
        #
        # @return [Boolean] whether there was one
        def hand_out_quarantined
          item = @crawl.leases.lease_quarantined(@slot, @token, @pool.host_ids)
          @pool.hand(item) if item
          !item.nil?
        end

        # Gives back all that this slot holds.
        #
        # @return [void]
        def release
          @crawl.leases.release(@slot)
          release_files
        end

        # The same, where it was held by a worker that died.
        #
        # @return [void]
        def release_after_crash
          @crawl.leases.release_after_crash(@slot)
          release_files
        end

        private

        def release_files
          @sitemaps.release(@slot)
          @probes.release(@slot)
        end
      end
    end
  end
end
