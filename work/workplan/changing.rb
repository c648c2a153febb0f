# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      # What people change of a fix: who does it, on which day, by when, after what, how long it takes, and notes.
      class Changing
        DATES = %w[not_before deadline locked_start].freeze
        MOST_NOTES = 4_000
        HOURS = (0..1_000)
        Fix = Store::Workplan::Fix

        # @param site [Store::Sites::Site]
        # @param id [String]
        def initialize(site, id)
          @site = site
          @fix = Fix.named(site, [id]).first
        end

        # @param input [Hash{String => Object}] owner, not_before, deadline, locked_start, hours, notes and own_after
        #   (ids); what isn't given stays
        # @param now [Time]
        # @return [Fix]
        # @raise [Core::Error::InvalidInput] and nothing is changed
        def call(input, now:)
          values = {
            **input.slice("owner").transform_values { |name| owner(name) },
            **input.slice(*DATES).transform_values { |day| day && Core::Workplan::Day.read(day) },
            **input.slice("hours").transform_values { |hours| hours(hours) },
            **input.slice("notes").transform_values { |text| notes(text) },
            **input.slice("own_after").transform_values { |ids| after(ids) }
          }
          @fix.tap { |fix| fix.update!(**values, **own(values), changed_at: now) }
        end

        private

        # They stay when fixes are made anew.
        def own(values)
          kept = values.slice("deadline", "hours").reject { |name, value| value == @fix[name] }
          kept.transform_keys { |name| "own_#{name}" }
        end

        def owner(name)
          return if name.nil?

          names = WorkplanSettings.new(@site).owners.map { |one| one["name"] }
          return name if names.include?(name)

          wrong("“#{name}” isn't among those who work at this site: #{names.join(", ")}.")
        end

        def hours(hours)
          (hours.is_a?(Numeric) && HOURS.cover?(hours)) ? hours : wrong("“#{hours}” is no number of hours.")
        end

        def notes(text)
          (text.to_s.length <= MOST_NOTES) ? text : wrong("Notes have #{MOST_NOTES} characters at most.")
        end

        # An edge of one's own; one that would close a circle is refused, and named.
        def after(ids)
          numbers = Fix.named(@site, ids).map(&:number)
          fixes = Fix.of(@site).where.not(state: Core::Workplan::States::SETTLED).to_a
          tasks =
            fixes.map do |fix|
              own = (fix.id == @fix.id) ? numbers : fix.own_after
              Core::Workplan::Task.new(id: fix.number, after: (fix.after | own))
            end
          known = tasks.to_h { |task| [task.id, true] }
          tasks.each { |task| task.after = task.after.select { |number| known[number] } }
          circle = Core::Workplan::Cycle.of(tasks) or return numbers
          wrong("These would wait for each other in a circle: #{circle.map { |one| Fix.name_of(one) }.join(" -> ")}.")
        end

        def wrong(message) = raise(Core::Error::InvalidInput.new(message))
      end
    end
  end
end
