# frozen_string_literal: true

require "json"

module IronTrellis
  module Cli
    module Workplan
      # The command schedule: lays the fixes of a site out and prints the plan, or writes it as a calendar or a table.
      class Schedule
        JSON_FILE = "json"

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
          Work::Workplan::RegenerateFixes.keep_up(@site, now: Time.now)
          Work::Workplan::WorkplanSettings.new(@site).keep_hours(hours)
          write.call(Work::Workplan::Scheduling.new(@site, start: start).call(now: Time.now))
          Ending::DONE
        end

        private

        def start
          Core::Workplan::Day.read?(@options["start"]) ||
            wrong("--start must be a day such as 2027-01-04, not #{@options["start"]}.")
        end

        def owners
          (@options["owner"] || []).to_h do |text|
            name, hours = text.match(/\A(.+)=(\d+(?:\.\d+)?)\z/m)&.captures
            name ? [name, Float(hours)] : wrong("--owner #{text} isn't of the form NAME=HOURS_A_DAY, such as Ada=6.")
          end
        end

        def writer
          out = @options["out"] or return ->(plan) { Printed.json(files.build(plan)) }

          ending = File.extname(out).delete_prefix(".")
          return ->(plan) { File.write(out, "#{JSON.pretty_generate(files.build(plan))}\n") } if ending == JSON_FILE
          return ->(_) { files.write(ending, out) } if Work::Workplan::PlanFiles::ENDINGS.include?(ending)

          wrong("#{out} must end in .ics, .csv, .xlsx or .json.")
        end

        def files = @files ||= Work::Workplan::PlanFiles.new(@site)

        def wrong(message) = raise(Core::Error::InvalidInput.new(message))
      end
    end
  end
end
