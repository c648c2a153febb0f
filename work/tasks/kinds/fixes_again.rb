# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Makes the fixes of a site anew, and lays them out where it is said from when on.
        module FixesAgain
          CODE = "fixes_again"

          module_function

          # @param input [Hash{String => Object}] site (id), start (a day, nil to lay nothing out), owners (hours a day
          #   by name)
          # @return [Hash] gap (nil where nothing was laid out), late and impossible, as Core::Workplan::Plan#to_h
          def call(input, now:)
            site = Store::Sites::Site.find(input["site"])
            Workplan::Remaking.keep_up(site, now: now)
            return {gap: nil, late: [], impossible: []} unless input["start"]

            scheduling =
              Workplan::Scheduling.new(
                site,
                start: Date.iso8601(input["start"]),
                clock: -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) }
              )
            scheduling.keep_owners(input["owners"] || {})
            scheduling.call(now: now).to_h.slice(:gap, :late, :impossible)
          rescue Date::Error
            raise Core::Error::InvalidInput.new("#{input["start"]} is no day such as 2027-01-04.")
          end
        end
      end
    end
  end
end
