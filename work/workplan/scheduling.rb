# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Workplan
      # Lays the fixes of a site out in time: by the owners and freezes that the site has, or by others, to see what
      # would be.
      class Scheduling
        States = Core::Workplan::States
        LAID_OUT = States::CLAIMABLE
        REQUEST = "request"
        CLOCK = -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) }

        # @param site [Store::Sites::Site]
        # @param start [Date]
        # @param owners [Array<Hash>, nil] as WorkplanSettings#owners; nil for the site's
        # @param freezes [Array<Hash>, nil] as WorkplanSettings#freezes; nil for the site's
        # @param clock [#call] gives seconds that only go forward
        def initialize(site, start:, owners: nil, freezes: nil, clock: CLOCK)
          settings = WorkplanSettings.new(site)
          @site = site
          @start = start
          @owners = owners || settings.owners
          @freezes = freezes || settings.freezes
          @clock = clock
        end

        # Lays them out, and keeps it.
        #
        # @param now [Time]
        # @return [Core::Workplan::Plan]
        # @raise [Core::Error::InvalidInput] where there is no owner
        def call(now:) = plan.tap { |plan| keep(plan, now) }

        # @return [Core::Workplan::Plan] that isn't kept
        # @raise [Core::Error::InvalidInput] where there is no owner
        def plan
          if @owners.empty?
            raise Core::Error::InvalidInput.new(
                    "Nobody is there to do it: name an owner, --owner \"NAME=HOURS_A_DAY\"."
                  )
          end

          Core::Workplan::Scheduler.new(times, clock: @clock).call(tasks)
        end

        # @return [Array<Store::Workplan::Fix>] those that are laid out
        def fixes = @fixes ||= due.select { |fix| roles.include?(fix.role) }

        # @return [Array<Hash{String => String}>] id and role of those that nobody has the role for
        def without_owner = (due - fixes).map { |fix| {"id" => fix.name, "role" => fix.role} }

        # @return [Array<Core::Workplan::WorkingTime>]
        def times = @times ||= WorkplanSettings.times(@start, @owners, @freezes)

        # @return [Array<Core::Workplan::Task>] by number
        def tasks
          known = fixes.to_h { |fix| [fix.number, true] }
          able = times.to_h { |time| [time.name, time.roles] }
          fixes.map do |fix|
            Core::Workplan::Task.new(
              id: fix.name,
              owner: (fix.owner if able.fetch(fix.owner, []).include?(fix.role)),
              role: fix.role,
              after:
                (fix.after | fix.own_after).select { |one| known[one] }.map { |one| Store::Workplan::Fix.name_of(one) },
              **fix.slice("benefit", "hours", "not_before", "deadline", "locked_start").transform_keys(&:to_sym)
            )
          end
        end

        # @param plan [Core::Workplan::Plan]
        # @param now [Time]
        # @return [void]
        def keep(plan, now)
          laid = plan.schedule.to_h { |one| [one[:id], one] }
          ActiveRecord::Base.transaction do
            (due - fixes).each { |fix| place(fix, nil, now) }
            fixes.each { |fix| place(fix, laid[fix.name], now) }
            @site.update!(
              workplan_settings:
                @site.workplan_settings.merge(
                  "start" => @start.iso8601,
                  "gap" => plan.gap,
                  "laid_out_at" => now.iso8601
                )
            )
          end
        end

        private

        # What comes later is never laid out by itself.
        def due =
          @due ||=
            Store::Workplan::Fix
              .in_order(@site)
              .where(state: LAID_OUT)
              .where.not(kind: REQUEST)
              .where("hand_made OR cause <> ?", Core::Workplan::FixBuilder::LATER)
              .select(Store::Workplan::Fix.column_names - Listing::LONG)
              .to_a

        def roles = @roles ||= times.flat_map(&:roles).uniq

        def place(fix, one, now)
          fix.assign_attributes(
            owner: one&.fetch(:owner) || fix.owner,
            start: one&.fetch(:start),
            finish: one&.fetch(:finish),
            finish_hours: one&.fetch(:finish_hours)
          )
          # By it calendars know that an event was changed.
          fix.sequence += 1 if fix.start_changed? || fix.finish_changed?
          fix.save!
          fix.become(States::PLANNED, now: now) if one && fix.state == States::OPEN
        end
      end
    end
  end
end
