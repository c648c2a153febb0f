# frozen_string_literal: true

module IronTrellis
  module Store
    module Crawling
      # The spaces that URLs of one crawl fall into, by their rows.
      class SpaceIds
        # @param crawl [Crawl]
        def initialize(crawl)
          @crawl_id = crawl.id
          @spaces = Core::Url::Spaces.new(caps: crawl.crawl_settings.caps, trap_limit: crawl.crawl_settings.trap_limit)
          @ids = {}
          @full = {}
        end

        # @param url [String]
        # @return [Array(Integer, Boolean), nil] the id of its space and whether that is full; nil where it is in none
        def of(url)
          space = @spaces.of(url) or return
          id = @ids[space] ||= Spaces.id(@crawl_id, *space.to_a)
          [id, full?(id)]
        end

        # @param kind [String]
        # @param name [String]
        # @param fetched [Integer] pages of it
        # @return [Integer] the id of a space that is closed as it is
        def close(kind, name, fetched) = Spaces.close(@crawl_id, kind, name, fetched).tap { |id| @full[id] = true }

        private

        # A full space stays full, so only others are asked about again, once a second.
        def full?(id)
          return true if @full[id]

          now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
          if @asked.nil? || now - @asked > 1
            @asked = now
            Spaces.full(@crawl_id).each { |one| @full[one] = true }
          end
          @full.key?(id)
        end
      end
    end
  end
end
