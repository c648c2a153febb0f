# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Crawling
      # How far a crawl is: running totals of all its slots, and what is still to be fetched, as it was last counted.
      Progress =
        Struct.new(
          :fetched,
          :ok,
          :redirected,
          :refused,
          :failed,
          :unanswered,
          :blocked,
          :retried,
          :bytes,
          :waiting,
          :known_urls,
          :pages_per_second,
          :seconds_left,
          keyword_init: true
        )

      class << Progress
        # The speed of a running crawl is that of the last so many seconds.
        WINDOW_SECONDS = 20

        # @param crawl [Crawl]
        # @param now [Time]
        # @return [Progress]
        def of(crawl, now: Time.now)
          sums = Counters.sums(crawl.id)
          queue, known = counted(crawl)
          allowed = [crawl.crawl_settings.limit - sums["fetched"], 0].max
          waiting = [queue.values.sum, allowed].min
          speed = crawl.fetching_ended_at ? mean(crawl, sums["fetched"]) : recent(crawl, now)
          new(
            **sums.transform_keys(&:to_sym),
            waiting: waiting,
            known_urls: known || sums["fetched"] + sums["blocked"] + waiting,
            pages_per_second: speed,
            seconds_left: left(crawl, waiting, speed)
          )
        end

        private

        # While it fetches its workers tell now and then what waits; from then on until it is summed up it is counted.
        def counted(crawl)
          return crawl.waiting_by_depth, crawl.known_urls if crawl.fetching_ended_at.nil? || crawl.known_urls

          [crawl.frontier.queue, crawl.frontier.counts.values.sum]
        end

        def mean(crawl, fetched)
          seconds = crawl.fetching_ended_at - (crawl.started_at || crawl.fetching_ended_at)
          seconds.positive? ? (fetched / seconds).round(1) : nil
        end

        def recent(crawl, now)
          return nil unless crawl.started_at

          since = [now - WINDOW_SECONDS, crawl.started_at].max
          fetched =
            Postgres::Sql
              .run(
                "SELECT coalesce(sum(fetched), 0) FROM crawl_beats WHERE crawl_id = $1 AND at > $2",
                [crawl.id, since.utc.iso8601(3)]
              )
              .getvalue(0, 0)
              .to_i
          (now > since) ? (fetched / (now - since)).round(1) : nil
        end

        def left(crawl, waiting, speed)
          (waiting / speed).ceil if crawl.state == Crawl::CRAWLING && speed&.positive?
        end
      end
    end
  end
end
