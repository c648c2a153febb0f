# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Crawling
      # A crawl as it runs, or ran: from rows that its workers write as they go, so that it costs the same however large
      # the crawl is.
      class CrawlMonitor
        # So many points draw the speed, however long the crawl takes.
        POINTS = 90
        LEAST_SECONDS = 2
        LEAST_LENGTH = 0.5
        HOSTS = 6
        TROUBLES = 12

        # @param crawl [Crawl]
        def initialize(crawl)
          @crawl = crawl
        end

        # @param now [Time]
        # @return [Hash] speed, queue, hosts, errors, outages, workers, spaces, traps
        def call(now)
          spaces = Spaces.named(@crawl.id)
          {
            speed: speed(now),
            queue:
              @crawl
                .waiting_by_depth
                .map { |depth, waiting| {depth: depth.to_i, waiting: waiting} }
                .sort_by { |one| one[:depth] },
            hosts: hosts,
            errors:
              FetchErrors
                .newest(@crawl.id, TROUBLES)
                .map { |row| row.merge("at" => row["at"].iso8601, "url_id" => row["url_id"].to_s) },
            outages: Outages.of(@crawl.id),
            workers: @crawl.ended? ? [] : CrawlSlots.active(@crawl.id, now),
            spaces: spaces,
            traps: TrapsMet.of(@crawl, spaces)
          }
        end

        private

        # A step in which nothing was stored counts as none; one that the crawl's end cut short is taken by its own
        # length.
        def speed(now)
          began, ended = @crawl.started_at, @crawl.fetching_ended_at
          return [] unless began

          step = [((ended || now) - began) / POINTS, LEAST_SECONDS].max.ceil
          sums = samples(step, began)
          # What is going on now isn't a whole step yet.
          last = ended ? ((ended - began) / step).ceil - 1 : ((now - began) / step).floor - 1
          (0..last).map do |number|
            length = ended ? (ended - began - number * step).clamp(LEAST_LENGTH, step) : step
            {at: (began + number * step).iso8601, per_second: (sums.fetch(number, 0) / length).round(1)}
          end
        end

        # A sample tells of the time before it.
        #
        # @return [Hash{Integer => Float}] how many were fetched in each step, by its number
        def samples(step, began)
          rows = Postgres::Sql.run(<<~SQL, [@crawl.id, step, began.utc.iso8601(6)]).values
            SELECT greatest(floor((extract(epoch FROM at - $3) - #{ThroughputSamples::SECONDS / 2.0}) / $2),
              0)::integer, sum(fetched) FROM crawl_beats WHERE crawl_id = $1 GROUP BY 1
          SQL
          rows.to_h { |number, fetched| [number.to_i, fetched.to_f] }
        end

        def hosts
          Postgres::Sql.rows(<<~SQL, [@crawl.id])
            SELECT h.authority, sum(c.fetched)::bigint AS fetched, sum(c.failed)::bigint AS failed, (sum(c.milliseconds)
              / greatest(sum(c.fetched), 1))::bigint AS mean_ms
            FROM crawl_hosts h JOIN host_counters c ON c.host_id = h.id WHERE h.crawl_id = $1 GROUP BY h.authority ORDER
              BY mean_ms DESC LIMIT #{HOSTS}
          SQL
        end
      end
    end
  end
end
