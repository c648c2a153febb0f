# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Proofs
      # All fixes that were said to be done, or looked at, with what came of it.
      class Overview
        States = Core::Workplan::States
        LOOKED_AT = [States::CLAIMED, States::RETURNED, States::NOT_DONE, States::PARTLY, States::PROVED].freeze
        DAY = 24 * 3600

        # @param site [Store::Sites::Site]
        def initialize(site)
          @site = site
        end

        # @return [Hash] states (how many of each), freed and to_free (benefit), days (the middle number of days from
        #   claim to proof, nil where none is known), and fixes, those that need a look first
        def call
          fixes = Store::Workplan::Fix.in_order(@site).to_a
          looked = fixes.select { |fix| LOOKED_AT.include?(fix.state) }
          days = looked.filter_map { |fix| days(fix) }.sort
          {
            states: fixes.map(&:state).tally,
            freed: benefit(fixes, States::PROVED),
            to_free: benefit(fixes, *(States::ALL - States::SETTLED)),
            days: days[days.size / 2],
            fixes: in_order(looked).map { |fix| build_row(fix) }
          }
        end

        private

        # Rounded once.
        def benefit(fixes, *states) =
          fixes.select { |fix| states.include?(fix.state) }.sum(0.0, &:benefit).round(Core::Workplan::Worth::DIGITS)

        def days(fix)
          ((fix.proved_at - fix.claimed_at) / DAY).round(1) if fix.proved_at && fix.claimed_at
        end

        def in_order(fixes) = fixes.sort_by.with_index { |fix, place| [LOOKED_AT.index(fix.state), place] }

        def build_row(fix)
          conditions = fix.proof&.fetch("conditions") || []
          {
            id: fix.name,
            title: fix.title,
            state: fix.state,
            benefit: fix.benefit,
            owner: fix.owner,
            claimed_at: fix.claimed_at&.iso8601,
            proved_at: fix.proved_at&.iso8601,
            days: days(fix),
            at: fix.proof&.fetch("at"),
            by: fix.proof&.fetch("by"),
            met: conditions.count { |one| one["met"] },
            unmet: conditions.count { |one| one["met"] == false },
            untold: conditions.count { |one| one["met"].nil? },
            why: fix.history.last&.fetch("why", nil)
          }
        end
      end
    end
  end
end
