# frozen_string_literal: true

module IronTrellis
  module Work
    # Works out where the lost addresses of one judged crawl could lead.
    class RouteTargets
      # @param run [Store::VerdictRun]
      # @param clock [#call]
      def initialize(run, clock:)
        @pages = Store::Deciding::LostPages.new(run)
        @clock = clock
      end

      # @return [Integer] how many addresses it has looked at
      def call
        live = @pages.live
        targets = Core::Routes::Targets.new(Core::Routes::LivePages.new(live), Core::Languages::OfPlaces.new(live.to_h { |page| [page.url, page.lang] }))
        found = @pages.lost.transform_values { |lost| targets.for(lost) }
        @pages.keep(found, @clock.call)
        found.size
      end
    end
  end
end
