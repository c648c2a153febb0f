# frozen_string_literal: true

require "fugit"

module IronTrellis
  module Core
    module Settings
      # When a site is crawled again by itself: a cron line (minute, hour, day, month, day of week) in a time zone.
      class Timetable
        # More often than this nobody needs a crawl, and a slip of the pen shouldn't start one every minute.
        LEAST_SECONDS = 3600

        attr_reader :cron, :time_zone

        # @param cron [String] "30 4 * * mon"
        # @param time_zone [String] "Europe/Lisbon"
        # @raise [Problems]
        def initialize(cron:, time_zone:)
          @cron = cron.to_s.strip
          @time_zone = time_zone.to_s.strip
          raise problem("time_zone", Fields::TimeZone.unknown(@time_zone)) unless Fields::TimeZone.known?(@time_zone)

          @line = Fugit.parse_cron("#{@cron} #{@time_zone}")
          unless @line && @cron.split.size == 5
            raise problem(
              "cron",
              "“#{cron}” is no timetable. Write minute, hour, day, month and day of week, for example 30 4 * * mon."
            )
          end
          raise problem("cron", "“#{cron}” is more often than once an hour.") if @line.rough_frequency < LEAST_SECONDS
        end

        # @param time [Time]
        # @return [Time] the first run after it, UTC
        def next_after(time) = Time.at(@line.next_time(time).to_f).utc

        private

        def problem(field, message) = Problems.new([{field: field, message: message}])
      end
    end
  end
end
