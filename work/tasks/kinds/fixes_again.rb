# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Makes the fixes of a site anew, and lays them out where it is said from when on.
        module FixesAgain
          CODE = "fixes_again"
          DOING = "making fixes anew"
          TENTHS = 10

          module_function

          # @param input [Hash{String => Object}] site (id), start (a day, nil to lay nothing out), owners and freezes
          #   (as WorkplanSettings has them; nil for those of the site), and try (whether the plan is only looked at)
          # @yieldparam done [Integer] tenths of seconds that a better plan is looked for
          # @yieldparam total [Integer, nil] so many at most; nil while more than one round is needed
          # @return [Hash] gap (nil where nothing was laid out), late and impossible, as Core::Workplan::Plan#to_h, and
          #   what it changes, as WhatIf has it
          def call(input, now:, &progress)
            site = Store::Sites::Site.find(input["site"])
            Workplan::RegenerateFixes.keep_up(site, now: now)
            return {gap: nil, late: [], impossible: [], without_owner: [], moves: [], sooner: nil} unless input["start"]

            scheduling = scheduling(site, input, telling(progress))
            plan = scheduling.plan
            told = plan.to_h.slice(:gap, :late, :impossible).merge(Workplan::WhatIf.new(scheduling, plan).call)
            told[:without_owner] = scheduling.without_owner
            return told if input["try"]

            # The last moment to have enough of it.
            progress&.call(0, nil)
            scheduling.keep(plan, now)
            told
          end

          # What is only tried is kept nowhere.
          def scheduling(site, input, clock)
            settings = Workplan::WorkplanSettings.new(site)
            settings.keep(input.slice("owners", "freezes").compact) unless input["try"]
            owners = input["owners"]&.map { |one| settings.owner(one) }
            freezes = input["freezes"]&.map { |one| settings.freeze_of(one) }
            Workplan::Scheduling.new(
              site,
              start: Core::Workplan::Day.read(input["start"]),
              owners: owners,
              freezes: freezes,
              clock: clock
            )
          end

          # A clock that says how far it is each time that a tenth of a second has gone by.
          def telling(progress)
            clock = Workplan::Scheduling::CLOCK
            return clock unless progress

            began, told, most = clock.call, -1, Core::Workplan::Scheduler::SECONDS * TENTHS
            lambda do
              clock.call.tap do |seconds|
                tenths = ((seconds - began) * TENTHS).to_i
                progress.call(told = tenths, (most if tenths <= most)) if tenths > told
              end
            end
          end
          private_class_method :scheduling, :telling
        end
      end
    end
  end
end
