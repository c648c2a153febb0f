# frozen_string_literal: true

require "date"

module IronTrellis
  module Cli
    module Workplan
      # The command schedule: lays the fixes of a site out and prints the plan, or writes it as a calendar or a table.
      class Schedule
        COLUMNS = %w[id title kind place owner start finish hours benefit after state late].freeze
        DATE = Core::Workplan::Reading::DATE
        JSON_FILE = "json"
        CALENDAR = "ics"

        # @param options [Hash] site, start, owner, out
        def initialize(options)
          @options = options
        end

        # @return [Integer] exit code
        def call
          start, hours = self.start, owners
          write = writer
          Store::Postgres::Database.prepare
          @site = Sites::Named.named(@options["site"])
          Work::Workplan::Remaking.keep_up(@site, now: Time.now)
          scheduling =
            Work::Workplan::Scheduling.new(
              @site,
              start: start,
              clock: -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) }
            )
          scheduling.keep_owners(hours)
          write.call(scheduling.call(now: Time.now))
          Root::DONE
        end

        private

        def start
          return Date.iso8601(@options["start"]) if DATE.match?(@options["start"])

          wrong("--start must be a day such as 2027-01-04, not #{@options["start"]}.")
        rescue Date::Error
          wrong("--start #{@options["start"]} is no day.")
        end

        def owners
          (@options["owner"] || []).to_h do |text|
            name, hours = text.match(/\A(.+)=(\d+(?:\.\d+)?)\z/m)&.captures
            name ? [name, Float(hours)] : wrong("--owner #{text} isn't of the form NAME=HOURS_A_DAY, such as Ada=6.")
          end
        end

        def writer
          out = @options["out"] or return method(:print)

          ending = File.extname(out).delete_prefix(".")
          return method(:write_json) if ending == JSON_FILE
          return method(:write_calendar) if ending == CALENDAR
          return method(:write_table) if %w[csv xlsx].include?(ending)

          wrong("#{out} must end in .ics, .csv, .xlsx or .json.")
        end

        def wrong(message) = raise(Core::Error::InvalidInput.new(message))

        def told(plan)
          fixes = self.fixes
          plan.to_h.merge(
            schedule:
              plan.schedule.map do |one|
                fix = fixes.fetch(one[:id])
                one.merge(title: fix.title, kind: fix.kind, benefit: fix.benefit, hours: fix.hours)
              end
          )
        end

        def fixes = @fixes ||= Store::Workplan::Fix.of(@site).index_by(&:name)

        def print(plan) = Printed.json(told(plan))

        def write_json(plan) = File.write(@options["out"], "#{JSON.pretty_generate(told(plan))}\n")

        def write_calendar(plan)
          events =
            plan.schedule.map do |one|
              fix = fixes.fetch(one[:id])
              Ports::Calendars::Plan::Event.new(
                id: one[:id],
                **fix.slice("title", "owner", "start", "finish", "sequence", "changed_at").transform_keys(&:to_sym)
              )
            end
          File.write(@options["out"], Ports::Calendars::Plan.text(@site.name, events))
        end

        def write_table(plan)
          late = plan.late_days
          rows =
            plan.schedule.map do |one|
              fix = fixes.fetch(one[:id])
              [
                one[:id],
                *fix.slice("title", "kind", "place").values,
                *one.values_at(:owner, :start, :finish),
                fix.hours,
                fix.benefit,
                fix.after.map { |number| Store::Workplan::Fix.name_of(number) },
                fix.state,
                late[one[:id]]
              ]
            end
          Ports::Tables.named(File.extname(@options["out"]).delete_prefix(".")).write(@options["out"], COLUMNS, rows)
        end
      end
    end
  end
end
