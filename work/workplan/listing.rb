# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      # The fixes of a site as lists tell them.
      class Listing
        # What the screen's rows leave to the sheet of one.
        LONG = %w[faults urls].freeze

        # @param site [Store::Sites::Site]
        def initialize(site)
          @site = site
        end

        # @param states [Array<String>, nil] nil for all
        # @return [Array<Hash{String => Object}>] by benefit an hour, then by number
        def call(states = nil)
          fixes = Store::Workplan::Fix.in_order(@site)
          fixes = fixes.where(state: states) if states
          fixes.map { |fix| fix.told(settled) }
        end

        # @param state [String, nil] nil for those that are to be done
        # @return [Array<Hash{String => Object}>] without what is long, with why and how many faults and URLs each has
        def brief(state)
          states = state || Core::Workplan::States::ALL - Core::Workplan::States::SETTLED
          Store::Workplan::Fix.in_order(@site).where(state: states).map do |fix|
            told = fix.told(settled)
            told.except(*LONG).merge(
              "reason" => fix.reason,
              "fault_count" => told["faults"].size,
              "url_count" => told["urls"].size
            )
          end
        end

        # @param fix [Store::Workplan::Fix]
        # @return [Hash{String => Object}] all of it
        def one(fix) = fix.told(settled).merge("reason" => fix.reason, "history" => fix.history)

        private

        def settled =
          @settled ||=
            Store::Workplan::Fix
              .of(@site)
              .where(state: Core::Workplan::States::SETTLED)
              .pluck(:number)
              .to_h { |number| [number, true] }
      end
    end
  end
end
