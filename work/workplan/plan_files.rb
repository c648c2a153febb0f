# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Workplan
      # The plan of a site, as it is kept, for calendars and tables.
      class PlanFiles
        CALENDAR = "ics"
        ENDINGS = [CALENDAR, "csv", "xlsx"].freeze
        COLUMNS = %w[id title kind place owner start finish hours benefit after state late].freeze

        # @param site [Store::Sites::Site]
        def initialize(site)
          @site = site
        end

        # @param plan [Core::Workplan::Plan]
        # @param without_owner [Array<Hash>] see Scheduling#without_owner
        # @return [Hash] the same as JSON, with what each fix is
        def build(plan, without_owner)
          known = Store::Workplan::Fix.of(@site).index_by(&:name)
          schedule =
            plan.schedule.map do |one|
              fix = known.fetch(one[:id])
              one.merge(title: fix.title, kind: fix.kind, benefit: fix.benefit, hours: fix.hours)
            end
          plan.to_h.merge(schedule: schedule, without_owner: without_owner)
        end

        # @param ending [String] one of ENDINGS
        # @param path [String]
        # @return [void]
        def write(ending, path)
          return File.write(path, calendar) if ending == CALENDAR

          Ports::Tables.named(ending).write(path, COLUMNS, laid_out.map { |fix| row(fix) })
        end

        private

        def laid_out =
          Store::Workplan::Fix
            .of(@site)
            .where.not(start: nil)
            .where(state: Scheduling::LAID_OUT)
            .sort_by { |fix| [fix.start, fix.finish, fix.number] }

        def calendar
          Ports::Calendars::Plan.text(
            @site.name,
            laid_out.map do |fix|
              Ports::Calendars::Plan::Event.new(
                id: fix.name,
                **fix.slice("title", "owner", "start", "finish", "sequence", "changed_at").transform_keys(&:to_sym)
              )
            end
          )
        end

        def row(fix)
          late = (fix.deadline && fix.finish > fix.deadline) ? (fix.finish - fix.deadline).to_i : nil
          [
            fix.name,
            *fix.slice("title", "kind", "place", "owner").values,
            fix.start.iso8601,
            fix.finish.iso8601,
            fix.hours,
            fix.benefit,
            (fix.after | fix.own_after).map { |number| Store::Workplan::Fix.name_of(number) },
            fix.state,
            late
          ]
        end
      end
    end
  end
end
