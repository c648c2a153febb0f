# frozen_string_literal: true

require "date"
require "time"

module IronTrellis
  module Work
    module Workplan
      # Who works at a site's fixes, when, and how long they take.
      class WorkplanSettings
        OWNERS = "owners"
        FREEZES = "freezes"
        EFFORT = "effort"
        HOURS = (0.01..24)
        EFFORTS = (0..1_000)
        MOST = 100
        ROLES = Core::Workplan::Roles::ALL
        Error = Core::Error::InvalidInput
        Time = Core::Workplan::WorkingTime

        # @param site [Store::Sites::Site]
        def initialize(site)
          @site = site
        end

        # @return [Array<Hash{String => Object}>] name, hours_per_day, days, off and roles of each
        def owners =
          kept(OWNERS, []).map { |one| {"days" => Time::USUAL_DAYS, "off" => [], "roles" => ROLES}.merge(one.compact) }

        # @return [Array<Hash{String => Object}>] from, to and name of each
        def freezes = kept(FREEZES, [])

        # @return [Hash{String => Numeric}] hours that differ from the usual ones
        def effort = kept(EFFORT, {})

        # @param more [Hash] sets and undecided, as Core::Workplan::Effort has them
        # @return [Core::Workplan::Effort] by these hours
        def counted(**more) = Core::Workplan::Effort.new(effort, **more)

        # @param input [Hash{String => Object}] owners, freezes and effort; what isn't given stays
        # @return [void]
        # @raise [Core::Error::InvalidInput] and nothing is kept
        def keep(input)
          read = {
            OWNERS => input[OWNERS]&.map { |one| owner(one) },
            FREEZES => input[FREEZES]&.map { |one| freeze_of(one) },
            EFFORT => input[EFFORT]&.then { |one| efforts(one) }
          }.compact
          twice(read.fetch(OWNERS, []).map { |one| one["name"] })
          merge(read)
        end

        # Keeps owners with what is given of them; of one that was named before the rest stays.
        #
        # @param given [Array<Hash{String => Object}>] name, hours_per_day and where given roles
        # @return [void]
        # @raise [Core::Error::InvalidInput]
        def keep_owners(given)
          twice(given.map { |one| one["name"] })
          named = given.map { |one| owner((of(one["name"]) || {}).merge(one.compact)) }
          names = given.map { |one| one["name"] }
          merge(OWNERS => owners.reject { |one| names.include?(one["name"]) } + named)
        end

        # @param start [Date] first day of a plan
        # @param owners [Array<Hash>]
        # @param freezes [Array<Hash>]
        # @return [Array<Core::Workplan::WorkingTime>]
        def self.times(start, owners, freezes)
          frozen = freezes.map { |one| Date.iso8601(one["from"])..Date.iso8601(one["to"]) }
          owners.map do |one|
            Time.new(
              name: one["name"],
              start: start,
              hours_per_day: one["hours_per_day"],
              days: one["days"],
              roles: one["roles"],
              off: one["off"].map { |day| Date.iso8601(day) },
              freezes: frozen
            )
          end
        end

        # @param one [Hash{String => Object}]
        # @return [Hash{String => Object}] the same, checked
        # @raise [Core::Error::InvalidInput]
        def owner(one)
          name, hours = one["name"].to_s.strip, one["hours_per_day"]
          unless !name.empty? && name.length <= MOST && hours.is_a?(Numeric) && HOURS.cover?(hours)
            raise Error.new("“#{name}=#{hours}” is no owner with hours a day, from 0.01 to 24.")
          end

          days = one["days"] || Time::USUAL_DAYS
          wrong = days.find { |day| !Time::DAYS.include?(day) }
          raise Error.new("“#{wrong}” is no day of the week; use #{Time::DAYS.join(", ")}.") if wrong

          {
            "name" => name,
            "hours_per_day" => hours,
            "days" => days,
            "off" => (one["off"] || []).map { |day| iso(day) },
            "roles" => roles(one)
          }
        end

        # @param one [Hash{String => Object}]
        # @return [Hash{String => Object}] the same, checked
        # @raise [Core::Error::InvalidInput]
        def freeze_of(one)
          from, to = one.values_at("from", "to").map { |day| iso(day) }
          raise Error.new("A freeze can't end on #{to}, before it begins on #{from}.") if to < from

          {"from" => from, "to" => to, "name" => one["name"].to_s[0, MOST]}
        end

        private

        def roles(one)
          given = one["roles"] || ROLES
          wrong = (given - ROLES).first
          raise Error.new("“#{wrong}” is no role; use #{ROLES.join(", ")}.") if wrong
          raise Error.new("“#{one["name"]}” needs a role: #{ROLES.join(", ")}.") if given.empty?

          ROLES & given
        end

        def kept(name, usual) = @site.workplan_settings.fetch(name, usual)

        def of(name) = owners.find { |one| one["name"] == name }

        def merge(values) = @site.update!(workplan_settings: @site.workplan_settings.merge(values))

        def efforts(given)
          usual = Core::Workplan::Effort::DEFAULTS
          unknown = given.keys - usual.keys
          raise Error.new("No hours are known for “#{unknown.first}”.") if unknown.any?

          wrong = given.find { |_, hours| !hours.is_a?(Numeric) || !EFFORTS.cover?(hours) }
          raise Error.new("“#{wrong.last}” is no number of hours for #{wrong.first}.") if wrong

          given.reject { |name, hours| usual[name] == hours }
        end

        def twice(names)
          name, = names.tally.find { |_, times| times > 1 }
          raise Error.new("“#{name}” is named twice.") if name
        end

        def iso(day) = Core::Workplan::Day.read(day).iso8601
      end
    end
  end
end
