# frozen_string_literal: true

module IronTrellis
  module Store
    # How far a crawl is: running totals of all its slots, and what is still to be fetched.
    Progress = Struct.new(:fetched, :ok, :redirected, :refused, :failed, :unanswered, :blocked, :bytes, :waiting, :known_urls,
      :pages_per_second, :seconds_left, keyword_init: true)

    class << Progress
      COUNTERS = %w[fetched ok redirected refused failed unanswered blocked bytes].freeze

      # @param crawl [Crawl]
      # @param now [Time]
      # @return [Progress]
      def of(crawl, now: Time.now)
        sums = Sql.rows("SELECT #{COUNTERS.map { |one| "coalesce(sum(#{one}), 0)::bigint AS #{one}" }.join(", ")} FROM crawl_counters WHERE crawl_id = $1", [crawl.id]).first
        counts = crawl.frontier.counts
        waiting = counts[:waiting] + counts[:leased]
        speed = speed(crawl, sums["fetched"], now)
        new(**sums.transform_keys(&:to_sym), waiting: crawl.ended? ? 0 : [waiting, crawl.crawl_settings.limit - sums["fetched"]].min,
          known_urls: counts.values.sum, pages_per_second: speed, seconds_left: left(crawl, waiting, speed))
      end

      private

      def speed(crawl, fetched, now)
        return nil unless crawl.started_at

        seconds = (crawl.fetching_ended_at || now) - crawl.started_at
        seconds.positive? ? (fetched / seconds).round(1) : nil
      end

      def left(crawl, waiting, speed)
        (waiting / speed).ceil if crawl.fetching_ended_at.nil? && speed&.positive?
      end
    end
  end
end
