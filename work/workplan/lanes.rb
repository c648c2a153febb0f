# frozen_string_literal: true

require "date"
require "time"

module IronTrellis
  module Work
    module Workplan
      # The plan as it is drawn: a lane an owner with a bar a fix, what isn't laid out beside it, and the gain by day.
      # Times are days from the first one on, with their parts.
      class Lanes
        States = Core::Workplan::States
        MOST_TRAY = 200

        # @param site [Store::Sites::Site]
        # @param today [Date]
        def initialize(site, today:)
          @site = site
          @settings = WorkplanSettings.new(site)
          @today = today
          @start = Date.iso8601(site.workplan_settings.fetch("start", today.iso8601))
          @scheduling = Scheduling.new(site, start: @start)
        end

        # @return [Hash] for JSON
        def call
          laid, open = @scheduling.fixes.partition { |fix| fix.start && times.key?(fix.owner) && fix.finish_hours }
          {
            start: @start.iso8601,
            today: (@today - @start).to_i,
            gap: @site.workplan_settings["gap"],
            owners: @settings.owners,
            freezes: @settings.freezes,
            effort: Core::Workplan::Effort::DEFAULTS.merge(@settings.effort),
            free_days: free_days(laid),
            bars: laid.map { |fix| bar(fix) },
            tray: open.first(MOST_TRAY).map { |fix| brief(fix) },
            tray_total: open.size,
            curve: curve(laid)
          }
        end

        private

        def times = @times ||= @scheduling.times.to_h { |time| [time.name, time] }

        def brief(fix) =
          {
            id: fix.name,
            title: fix.title,
            kind: fix.kind,
            state: fix.state,
            benefit: fix.benefit,
            hours: fix.hours,
            owner: fix.owner,
            deadline: fix.deadline&.iso8601
          }

        def bar(fix)
          time = times.fetch(fix.owner)
          {
            **brief(fix),
            begin: at(time, [fix.finish_hours - fix.hours, 0].max, after: true),
            end: at(time, fix.finish_hours),
            start: fix.start.iso8601,
            finish: fix.finish.iso8601,
            locked: !fix.locked_start.nil?,
            late: late(fix),
            after: (fix.after | fix.own_after).map { |number| Store::Workplan::Fix.name_of(number) }
          }
        end

        # Days from the start, with the part of the day that is worked until then.
        def at(time, hours, after: false)
          day = time.day(after ? time.start_date(hours) : time.finish_date(hours))
          worked = time.before(day + 1) - time.before(day)
          (day + (worked.zero? ? 0 : [(hours - time.before(day)) / worked, 0].max)).round(3)
        end

        # Why it is late; nil where it isn't.
        def late(fix)
          return "after its deadline #{fix.deadline}" if fix.deadline && fix.finish > fix.deadline

          "it was to be done by #{fix.finish}" if fix.finish < @today && fix.state != States::CLAIMED
        end

        # By owner the days on which nobody works, as far as the plan goes.
        def free_days(laid)
          last = [laid.filter_map(&:finish).max, @today].compact.max + 14
          days = (0..[(last - @start).to_i, 0].max)
          times.transform_values { |time| days.reject { |day| time.works?(day) } }
        end

        def curve(laid)
          return {planned: [], first_come: [], bound: []} if laid.empty?

          known = laid.to_h { |fix| [fix.name, true] }
          tasks =
            @scheduling
              .tasks
              .select { |task| known[task.id] }
              .sort_by { |task| task.id.delete("F").to_i }
              .each { |task| task.after = task.after.select { |id| known[id] } }
          finishes = laid.to_h { |fix| [fix.name, (fix.finish - @start).to_i] }
          gain = Core::Workplan::GainCurve.new(tasks, @scheduling.times, finishes)
          planned, first_come = gain.planned, gain.first_come
          last = [planned, first_come].map { |points| points.last.first }.max
          {planned: planned, first_come: first_come, bound: gain.bound((0..last).step([last / 60, 1].max).to_a)}
        end
      end
    end
  end
end
