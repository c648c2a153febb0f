# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # The working hours of one owner, counted from the start of the plan: freezes, days off and the other days of the
      # week have none. Moments of the calendar are told in hours, 24 a day, everybody's day beginning at the same time.
      class WorkingTime
        DAYS = %w[sun mon tue wed thu fri sat].freeze
        USUAL_DAYS = DAYS[1..5].freeze
        HOURS_A_DAY = 24
        # Nobody plans farther ahead; what isn't begun by then never is.
        MOST_DAYS = 20 * 366
        EPSILON = 1e-9

        # @return [String]
        attr_reader :name
        # @return [Array<String>] whose work it does (Roles)
        attr_reader :roles

        # @param name [String]
        # @param start [Date] the first day of the plan
        # @param hours_per_day [Numeric]
        # @param days [Array<String>] some of DAYS
        # @param off [Array<Date>]
        # @param freezes [Array<Range<Date>>] nobody works then
        # @param roles [Array<String>] some of Roles::ALL
        def initialize(name:, start:, hours_per_day: 8, days: USUAL_DAYS, off: [], freezes: [], roles: Roles::ALL)
          @name = name
          @roles = roles
          @start = start
          @hours = hours_per_day.to_f
          @weekdays = days.to_h { |day| [DAYS.index(day), true] }
          @off = off.to_h { |day| [day, true] }
          @freezes = freezes
          @before = [0.0]
        end

        # @return [Boolean] whether there is any working time at all
        def any? = @hours.positive? && (0..MOST_DAYS).any? { |day| works?(day) }

        # @param day [Integer] from the start
        # @return [Boolean]
        def works?(day)
          date = @start + day
          @hours.positive? && @weekdays.key?(date.wday) && !@off.key?(date) && @freezes.none? { |one| one.cover?(date) }
        end

        # @param day [Integer] from the start; days before it have none
        # @return [Float] working hours before that day
        def before(day)
          return 0.0 if day <= 0

          day = [day, MOST_DAYS].min
          @before << (@before.last + (works?(@before.size - 1) ? @hours : 0.0)) while @before.size <= day
          @before[day]
        end

        # @param date [Date]
        # @return [Integer] the number of that day
        def day(date) = (date - @start).to_i

        # @param hours [Float] worked when something begins
        # @return [Date] its day: where a day is over, the next one that has hours
        def start_date(hours) = @start + first_day { |day| before(day + 1) > hours + EPSILON }

        # @param hours [Float] worked when something is done
        # @return [Date]
        def finish_date(hours) = @start + finish_day(hours)

        # @param hours [Float] worked when something is done
        # @return [Float] that moment in calendar hours
        def moment(hours) = finish_day(hours).then { |day| day * HOURS_A_DAY + hours - before(day) }

        # @param moment [Float] in calendar hours
        # @return [Float] hours worked before anything can begin then
        def after(moment)
          day = (moment / HOURS_A_DAY).floor
          before(day) + (works?(day) ? [moment - day * HOURS_A_DAY, @hours].min : 0.0)
        end

        private

        def finish_day(hours) = first_day { |day| before(day + 1) >= hours - EPSILON }

        def first_day(&block) = (0..MOST_DAYS).bsearch(&block) || MOST_DAYS
      end
    end
  end
end
