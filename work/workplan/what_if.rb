# frozen_string_literal: true

require "date"
require "time"

module IronTrellis
  module Work
    module Workplan
      # What another plan would change: which fixes move, what would be free sooner or later, what would be late.
      class WhatIf
        MOST_MOVES = 500

        # @param scheduling [Scheduling]
        # @param plan [Core::Workplan::Plan] that it made
        def initialize(scheduling, plan)
          @fixes = scheduling.fixes
          @plan = plan
        end

        # @return [Hash] moves ([{id, title, owner, owner_now, start, start_now, finish, finish_now}], those worth most
        #   first), and how many days sooner (above 0) or later benefit is free, as benefit x days; nil where nothing is
        #   laid out now
        def call
          laid = @plan.schedule.to_h { |one| [one[:id], one] }
          moved = @fixes.select { |fix| moved?(fix, laid[fix.name]) }
          {
            moves:
              moved
                .sort_by { |fix| [-fix.benefit, fix.number] }
                .first(MOST_MOVES)
                .map { |fix| build_row(fix, laid[fix.name]) },
            sooner: sooner(laid)
          }
        end

        private

        def moved?(fix, one) =
          one.to_h.values_at(:owner, :start, :finish) != [fix.owner, fix.start&.iso8601, fix.finish&.iso8601]

        def build_row(fix, one) =
          {
            id: fix.name,
            title: fix.title,
            owner_now: fix.owner,
            start_now: fix.start&.iso8601,
            finish_now: fix.finish&.iso8601,
            owner: one&.fetch(:owner),
            start: one&.fetch(:start),
            finish: one&.fetch(:finish)
          }

        def sooner(laid)
          both = @fixes.select { |fix| fix.finish && laid[fix.name] }
          return if both.empty?

          both.sum { |fix| fix.benefit * (fix.finish - Date.iso8601(laid[fix.name][:finish])).to_i }.round(1)
        end
      end
    end
  end
end
