# frozen_string_literal: true

require "json"

module IronTrellis
  module Cli
    module Workplan
      # The command schedule: lays the fixes of a site out and prints the plan, or writes it as a calendar or a table.
      class Schedule
        JSON_FILE = "json"
        OWNER = /\A(.+?)=(\d+(?:\.\d+)?)(?::([a-z,]+))?\z/m
        FORM = "NAME=HOURS_A_DAY[:ROLE,ROLE]"

        # @param options [Hash] site, start, owner, out
        def initialize(options)
          @options = options
        end

        # @return [Integer] exit code
        def call
          start, owners = self.start, self.owners
          write = writer
          Store::Postgres::Database.prepare
          @site = Sites::Named.named(@options["site"])
          Work::Workplan::RegenerateFixes.keep_up(@site, now: Time.now)
          Work::Workplan::WorkplanSettings.new(@site).keep_owners(owners)
          @scheduling = Work::Workplan::Scheduling.new(@site, start: start)
          write.call(@scheduling.call(now: Time.now))
          tell_without_owner
          Ending::DONE
        end

        private

        def start
          Core::Workplan::Day.read?(@options["start"]) ||
            wrong("--start must be a day such as 2027-01-04, not #{@options["start"]}.")
        end

        def owners
          (@options["owner"] || []).map do |text|
            name, hours, roles = text.match(OWNER)&.captures
            wrong("--owner #{text} isn't of the form #{FORM}, such as Ada=6 or Ada=6:developer.") unless name

            {"name" => name, "hours_per_day" => Float(hours), "roles" => roles&.split(",")}
          end
        end

        def tell_without_owner
          @scheduling.without_owner.group_by { |one| one["role"] }.each do |role, some|
            warn("Nobody has the role #{role}: #{some.map { |one| one["id"] }.join(", ")} isn't laid out.")
          end
        end

        def writer
          out = @options["out"] or return ->(plan) { Printed.json(build(plan)) }

          ending = File.extname(out).delete_prefix(".")
          return ->(plan) { File.write(out, "#{JSON.pretty_generate(build(plan))}\n") } if ending == JSON_FILE
          return ->(_) { files.write(ending, out) } if Work::Workplan::PlanFiles::ENDINGS.include?(ending)

          wrong("#{out} must end in .ics, .csv, .xlsx or .json.")
        end

        def build(plan) = files.build(plan, @scheduling.without_owner)

        def files = @files ||= Work::Workplan::PlanFiles.new(@site)

        def wrong(message) = raise(Core::Error::InvalidInput.new(message))
      end
    end
  end
end
