# frozen_string_literal: true

module IronTrellis
  module Work
    module Proofs
      # Looks at conditions one by one: as everybody is answered, and past caches; where the two differ the site's own
      # answer counts.
      class Looking
        Checks = Core::Proofs::Checks
        # These are told by there being no answer, or by robots.txt.
        BY_ANSWER = %w[unreachable server-error blocked-wanted noindex-unseen].freeze

        # @param run [Store::Judging::VerdictRun]
        # @param clock [#call] gives the time
        def initialize(run, clock:)
          @probe = SiteProbe.new(run, clock: clock)
          @past = @probe.past
          @done = 0
        end

        # @param urls [Array<String>] that the conditions are about
        # @return [Looking] itself
        def about(urls) = tap { @probe.about(urls) }

        # @param conditions [Array<Core::Proofs::Condition>]
        # @yieldparam done [Integer]
        # @return [Core::Proofs::Verdict]
        def verdict(conditions)
          found =
            conditions.map do |condition|
              yield @done += 1 if block_given?
              found(condition)
            end
          Core::Proofs::Verdict.new(found)
        end

        # @return [void]
        def close = @probe.close

        private

        def found(condition)
          check = Checks.for(condition)
          shown, = told = check.call(condition, @probe)
          unseen = @probe.unseen(condition.url) if must_be_seen?(condition, shown)
          return Core::Proofs::Found.new(condition: condition, found: unseen) if unseen

          own = shown.nil? ? told : check.call(condition, @past)
          Core::Proofs::Found.new(condition: condition, met: own.first, found: own.last, cached: own.first != shown)
        end

        # Who is shut out by robots.txt as wanted sees no page.
        def must_be_seen?(condition, shown)
          return !shown if condition.code == Core::Workplan::Kinds::BLOCK

          shown || !BY_ANSWER.include?(condition.code)
        end
      end
    end
  end
end
