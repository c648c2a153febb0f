# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Reads what is to be laid out from JSON values, as formats.md of the command `plan` has them: start, owners
      # (name, hours_per_day, days, off), freezes (from, to) and fixes (id, benefit, hours, owner, after, not_before,
      # deadline, locked_start).
      class Reading
        MOST_HOURS_A_DAY = WorkingTime::HOURS_A_DAY

        # @return [Array<WorkingTime>]
        attr_reader :owners
        # @return [Array<Task>]
        attr_reader :tasks

        # @param values [Object] parsed JSON
        # @raise [Error::InvalidInput] which says what is wrong, and where
        def initialize(values)
          @values = object(values, "The file")
          @start = date(@values["start"], "start") || wrong("start is missing: give the first day, as 2027-01-04.")
          @freezes = list(@values["freezes"], "freezes").map.with_index(1) { |one, number| freeze_of(one, number) }
          @owners = list(@values["owners"], "owners").map.with_index(1) { |one, number| owner(one, number) }
          @tasks = list(@values["fixes"], "fixes").map.with_index(1) { |one, number| task(one, number) }
          check
        end

        private

        def owner(values, number)
          at = "owner #{number}"
          values = object(values, at)
          name = values["name"].to_s
          wrong("#{at} has no name.") if name.empty?
          WorkingTime.new(
            name: name,
            start: @start,
            hours_per_day: number(values.fetch("hours_per_day", 8), "hours_per_day of #{name}", 0..MOST_HOURS_A_DAY),
            days: days(values, name),
            off: list(values["off"], "off of #{name}").map { |day| date(day, "a day off of #{name}") },
            freezes: @freezes
          )
        end

        def days(values, name)
          days = values["days"] ? list(values["days"], "days of #{name}") : WorkingTime::USUAL_DAYS
          unknown = (days - WorkingTime::DAYS).first
          wrong("“#{unknown}” in days of #{name} is no day; use #{WorkingTime::DAYS.join(", ")}.") if unknown
          days
        end

        def freeze_of(values, number)
          at = "freeze #{number}"
          values = object(values, at)
          from, to = %w[from to].map { |name| date(values[name], "#{name} of #{at}") || wrong("#{at} has no #{name}.") }
          wrong("#{at} ends on #{to}, before it begins on #{from}.") if to < from
          from..to
        end

        def task(values, number)
          values = object(values, "fix #{number}")
          id = values["id"]
          wrong("fix #{number} has no id.") if id.nil? || id.to_s.empty?
          Task.new(
            id: id,
            benefit: number(values["benefit"], "benefit of #{id}", 0..),
            hours: number(values["hours"], "hours of #{id}", 0..),
            owner: values["owner"],
            after: list(values["after"], "after of #{id}"),
            **%w[not_before deadline locked_start].to_h { |name| [name.to_sym, date(values[name], "#{name} of #{id}")] }
          )
        end

        def check
          wrong("There is no owner: give at least one.") if owners.empty?
          names = owners.map(&:name)
          twice(names, "owner")
          twice(tasks.map(&:id), "fix")
          tasks.each { |task| known(task, names) }
          Cycle.of(tasks)&.then { |ids| wrong("These wait for each other in a circle: #{ids.join(" -> ")}.") }
        end

        def twice(values, what)
          one, = values.tally.find { |_, times| times > 1 }
          wrong("There are two of #{what} #{one}.") if one
        end

        def known(task, names)
          if task.owner && !names.include?(task.owner)
            wrong("#{task.id} belongs to #{task.owner}, who isn't among the owners #{names.join(", ")}.")
          end
          @ids ||= tasks.to_h { |one| [one.id, true] }
          missing = task.after.find { |id| !@ids.key?(id) }
          wrong("#{task.id} comes after #{missing}, which isn't there.") if missing
        end

        def object(value, at) = value.is_a?(Hash) ? value : wrong("#{at} must be an object, not #{value.class}.")

        def list(value, at)
          return [] if value.nil?

          value.is_a?(Array) ? value : wrong("#{at} must be a list.")
        end

        def number(value, at, range)
          return value if value.is_a?(Numeric) && range.cover?(value) && value.to_f.finite?

          most = range.end ? " to #{range.end}" : ""
          wrong("#{at} must be a number from #{range.begin}#{most}, not #{value.inspect}.")
        end

        def date(value, at)
          return if value.nil?

          Day.read?(value) || wrong("#{at} must be a day such as 2027-01-04, not #{value.inspect}.")
        end

        def wrong(message) = raise(Error::InvalidInput.new(message))
      end
    end
  end
end
