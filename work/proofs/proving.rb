# frozen_string_literal: true

module IronTrellis
  module Work
    module Proofs
      # Looks live, past caches, whether what fixes were for holds now, and keeps what was found with each.
      class Proving
        States = Core::Workplan::States

        # @param site [Store::Sites::Site]
        # @param ids [Array<String>] of fixes; none for all that are claimed
        # @return [Array<Store::Workplan::Fix>] in the order asked
        # @raise [Core::Error::InvalidInput] where one isn't there, or was left
        def self.asked(site, ids)
          return Store::Workplan::Fix.of(site).where(state: States::CLAIMED).order(:number).to_a if ids.empty?

          Store::Workplan::Fix.named(site, ids).each do |fix|
            next unless fix.state == States::LEFT

            raise Core::Error::InvalidInput.new("#{fix.name} was left: there is nothing to be proved of it.")
          end
        end

        # @param site [Store::Sites::Site]
        # @param clock [#call] gives the time
        def initialize(site, clock:)
          @site = site
          @run = site.newest_verdicts
          @clock = clock
        end

        # @param fixes [Array<Store::Workplan::Fix>]
        # @param by [String, nil] who asks
        # @yieldparam done [Integer] conditions that were looked at
        # @return [Array<Hash{String => Object}>] of each what `bin/trellis prove` prints
        def call(fixes, by: nil, &progress)
          faults = fixes.flat_map(&:faults)
          conditions = Core::Proofs::Conditions.new(Workplan::RemediesOfSite.for(@run, faults))
          looking = Looking.new(@run, clock: @clock).about(Workplan::RemediesOfSite.named(faults))
          fixes.map do |fix|
            verdict = looking.verdict(conditions.call(fix.kind, fix.standing), &progress)
            keep(fix, verdict, by)
            verdict.report(fix.name, fix.state)
          end
        ensure
          looking&.close
        end

        private

        # What can't be told by a fetch leaves the state as it is.
        def keep(fix, verdict, by)
          Recording.new(fix, now: @clock.call).by_fetch(verdict, by: by)
          Workplan::DecideFirst.settle(fix, now: @clock.call)
        end
      end
    end
  end
end
