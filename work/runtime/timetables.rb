# frozen_string_literal: true

module IronTrellis
  module Work
    module Runtime
      # Starts the crawls, and the building of sitemaps, whose time has come, and ends crawls of which nobody is heard
      # any more. Every worker looks now and then; the rows of the timetables see to it that each starts once.
      class Timetables
        SECONDS = 15

        # @param clock [#call] gives the time
        def initialize(clock: -> { Time.now })
          @clock = clock
        end

        # To be called as often as one likes.
        #
        # @return [nil]
        def tick
          now = @clock.call
          return if @looked_at && now - @looked_at < SECONDS

          @looked_at = now
          Crawling::Watch.end_abandoned(now)
          start_due(now)
          Sitemaps::Building.ask_due(now)
          Evidence::Sources.pull_due(now)
          Alerts::Watching.look_due(now)
          nil
        end

        # @param now [Time]
        # @return [Integer] how many crawls were started
        def start_due(now)
          started = 0
          started += 1 while Store::Crawling::Timetable.take_due(now) { |site| Crawling::Runs.start(site, now: now) }
          started
        end
      end
    end
  end
end
