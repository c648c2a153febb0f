# frozen_string_literal: true

module IronTrellis
  module Store
    # A crawl as it runs, or ran: from rows that its workers write as they go, so that it costs the same however large the crawl is.
    class Live
      # So many points draw the speed, however long the crawl takes.
      POINTS = 90
      LEAST_SECONDS = 2
      HOSTS = 6
      TROUBLES = 12

      # @param crawl [Crawl]
      def initialize(crawl)
        @crawl = crawl
      end

      # @param now [Time]
      # @return [Hash] speed, queue, hosts, troubles, workers, spaces
      def call(now)
        {
          speed: speed(now), queue: @crawl.waiting_by_depth.map { |depth, waiting| {depth: depth.to_i, waiting: waiting} }.sort_by { |one| one[:depth] },
          hosts: hosts, troubles: Troubles.newest(@crawl.id, TROUBLES).map { |row| row.merge("at" => row["at"].iso8601, "url_id" => row["url_id"].to_s) },
          workers: @crawl.ended? ? [] : CrawlSlots.active(@crawl.id, now), spaces: Spaces.named(@crawl.id)
        }
      end

      private

      def speed(now)
        return [] unless @crawl.started_at

        seconds = [((@crawl.fetching_ended_at || now) - @crawl.started_at) / POINTS, LEAST_SECONDS].max.ceil
        rows = Sql.rows(<<~SQL, [@crawl.id, seconds, @crawl.started_at.utc.iso8601(6)])
          SELECT date_bin($2 * interval '1 second', at, $3) AS at, sum(fetched)::bigint AS fetched FROM crawl_beats WHERE crawl_id = $1 GROUP BY 1 ORDER BY 1
        SQL
        # What is going on now isn't a whole step yet.
        rows = rows[0...-1] unless @crawl.fetching_ended_at
        rows.map { |row| {at: row["at"].iso8601, per_second: (row["fetched"].to_f / seconds).round(1)} }
      end

      def hosts
        Sql.rows(<<~SQL, [@crawl.id])
          SELECT h.authority, sum(c.fetched)::bigint AS fetched, sum(c.failed)::bigint AS failed, (sum(c.milliseconds) / greatest(sum(c.fetched), 1))::bigint AS mean_ms
          FROM crawl_hosts h JOIN host_counters c ON c.host_id = h.id WHERE h.crawl_id = $1 GROUP BY h.authority ORDER BY mean_ms DESC LIMIT #{HOSTS}
        SQL
      end
    end
  end
end
