# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Makes the fixes of a site anew, and lays them out where it is said from when on.
        module FixesAgain
          CODE = "fixes_again"

          module_function

          # @param input [Hash{String => Object}] site (id), start (a day, nil to lay nothing out), owners and freezes
          #   (as WorkplanSettings has them; nil for those of the site), and try (whether the plan is only looked at)
          # @return [Hash] gap (nil where nothing was laid out), late and impossible, as Core::Workplan::Plan#to_h, and
          #   what it changes, as WhatIf has it
          def call(input, now:)
            site = Store::Sites::Site.find(input["site"])
            Workplan::Remaking.keep_up(site, now: now)
            return {gap: nil, late: [], impossible: [], moves: [], sooner: nil} unless input["start"]

            scheduling = scheduling(site, input)
            plan = scheduling.plan
            told = plan.to_h.slice(:gap, :late, :impossible).merge(Workplan::WhatIf.new(scheduling, plan).call)
            scheduling.keep(plan, now) unless input["try"]
            told
          rescue Date::Error
            raise Core::Error::InvalidInput.new("#{input["start"]} is no day such as 2027-01-04.")
          end

          # What is only tried is kept nowhere.
          def scheduling(site, input)
            settings = Workplan::WorkplanSettings.new(site)
            settings.keep(input.slice("owners", "freezes").compact) unless input["try"]
            owners = input["owners"]&.map { |one| settings.owner(one) }
            freezes = input["freezes"]&.map { |one| settings.freeze_of(one) }
            Workplan::Scheduling.new(site, start: Date.iso8601(input["start"]), owners: owners, freezes: freezes)
          end
          private_class_method :scheduling
        end
      end
    end
  end
end
