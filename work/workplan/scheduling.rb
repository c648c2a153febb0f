# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      # Lays the fixes of a site out in time.
      class Scheduling
        States = Core::Workplan::States
        OWNERS = "owners"
        FREEZES = "freezes"
        LAID_OUT = (States::CLAIMABLE - [States::LEFT]).freeze
        REQUEST = "request"

        # @param site [Store::Sites::Site]
        # @param start [Date]
        # @param clock [#call] gives seconds
        # @param seconds [Numeric] for the search
        def initialize(site, start:, clock:, seconds: Core::Workplan::Scheduler::SECONDS)
          @site = site
          @start = start
          @clock = clock
          @seconds = seconds
        end

        # Keeps owners with their hours a day; one that was named before stays.
        #
        # @param hours [Hash{String => Numeric}]
        # @return [void]
        # @raise [Core::Error::InvalidInput]
        def keep_owners(hours)
          wrong = hours.find { |name, one| name.strip.empty? || !(0.01..24).cover?(one) }
          if wrong
            raise Core::Error::InvalidInput.new("“#{wrong.join("=")}” is no owner with hours a day, from 0.01 to 24.")
          end

          kept = owners.reject { |one| hours.key?(one["name"]) }
          named =
            hours.map do |name, one|
              {**(owners.find { |other| other["name"] == name } || {}), "name" => name, "hours_per_day" => one}
            end
          @site.update!(workplan_settings: @site.workplan_settings.merge(OWNERS => kept + named))
        end

        # @param now [Time]
        # @return [Core::Workplan::Plan, nil] nil where there is nothing to lay out
        # @raise [Core::Error::InvalidInput] where there is no owner
        def call(now:)
          if owners.empty?
            raise Core::Error::InvalidInput.new(
                    "Nobody is there to do it: name an owner, --owner \"NAME=HOURS_A_DAY\"."
                  )
          end

          fixes = self.fixes
          plan = Core::Workplan::Scheduler.new(times, clock: @clock, seconds: @seconds).call(tasks(fixes))
          keep(plan, fixes, now)
          plan
        end

        # @return [Array<Store::Workplan::Fix>] those that are laid out
        def fixes = Store::Workplan::Fix.in_order(@site).where(state: LAID_OUT).where.not(kind: REQUEST).to_a

        private

        def owners = @site.workplan_settings.fetch(OWNERS, [])

        def times
          freezes =
            @site.workplan_settings.fetch(FREEZES, []).map { |one| Date.iso8601(one["from"])..Date.iso8601(one["to"]) }
          owners.map do |one|
            Core::Workplan::WorkingTime.new(
              name: one["name"],
              start: @start,
              hours_per_day: one["hours_per_day"],
              days: one["days"] || Core::Workplan::WorkingTime::USUAL_DAYS,
              off: (one["off"] || []).map { |day| Date.iso8601(day) },
              freezes: freezes
            )
          end
        end

        def tasks(fixes)
          known = fixes.to_h { |fix| [fix.number, true] }
          names = owners.map { |one| one["name"] }
          fixes.map do |fix|
            Core::Workplan::Task.new(
              id: fix.name,
              owner: (fix.owner if names.include?(fix.owner)),
              after:
                (fix.after | fix.own_after).select { |one| known[one] }.map { |one| Store::Workplan::Fix.name_of(one) },
              **fix.slice("benefit", "hours", "not_before", "deadline", "locked_start").transform_keys(&:to_sym)
            )
          end
        end

        def keep(plan, fixes, now)
          laid = plan.schedule.to_h { |one| [one[:id], one] }
          ActiveRecord::Base.transaction do
            fixes.each do |fix|
              one = laid[fix.name]
              fix.assign_attributes(
                owner: one&.fetch(:owner) || fix.owner,
                start: one&.fetch(:start),
                finish: one&.fetch(:finish)
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
  end
end
