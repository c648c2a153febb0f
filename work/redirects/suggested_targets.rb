# frozen_string_literal: true

module IronTrellis
  module Work
    module Redirects
      # Works out where the lost addresses of one judged crawl could lead.
      class SuggestedTargets
        # Who asked so long ago may have died over it.
        PATIENCE_SECONDS = 600

        # Has them worked out in a job, unless they are there or it was asked already.
        #
        # @param run [Store::Judging::VerdictRun]
        # @param now [Time]
        # @return [Boolean] whether it was this call that asked
        def self.ask(run, now:)
          ActiveRecord::Base.transaction do
            asked = run.ask_for_suggestions(now, since: now - PATIENCE_SECONDS)
            Runtime::Queue.enqueue("SuggestTargets", {run_id: run.id}) if asked
            asked
          end
        end

        # @param run [Store::Judging::VerdictRun]
        # @param clock [#call]
        def initialize(run, clock:)
          @pages = Store::Redirects::LostPages.new(run)
          @clock = clock
        end

        # @return [Integer] how many addresses it has looked at
        def call
          found = self.for(nil)
          @pages.keep(found, @clock.call)
          found.size
        end

        # @param ids [Array<Integer>, nil] of addresses; nil for all that are lost
        # @return [Hash{Integer => Array<Core::Redirects::Suggestion>}] the best first
        def for(ids)
          live = @pages.live
          targets =
            Core::Redirects::Targets.new(
              Core::Redirects::LivePages.new(live),
              Core::Languages::OfPlaces.new(live.to_h { |page| [page.url, page.lang] })
            )
          @pages.lost(ids).transform_values { |lost| targets.for(lost) }
        end
      end
    end
  end
end
