# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      # The fixes of a site as lists tell them: with the texts that carry them out and the conditions by which they are
      # proved.
      class Listing
        # @param site [Store::Sites::Site]
        def initialize(site)
          @site = site
        end

        # @param states [Array<String>, nil] nil for all
        # @return [Array<Hash{String => Object}>] by benefit an hour, then by number
        def call(states = nil)
          fixes = Store::Workplan::Fix.in_order(@site).to_a
          settled =
            fixes.select { |fix| Core::Workplan::States::SETTLED.include?(fix.state) }.to_h { |fix| [fix.number, true] }
          fixes.select! { |fix| states.include?(fix.state) } if states
          fixes.map { |fix| fix.told(settled) }
        end
      end
    end
  end
end
