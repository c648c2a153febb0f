# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # When the same on several pages of a group is their template's doing, and mended there. Common practice.
      module TemplateFault
        SHARE = 0.5
        LEAST_PAGES = 3

        # @param found [Integer] on how many pages of the group it is
        # @param pages [Integer] of the group
        # @return [Boolean]
        def self.of?(found, pages) = pages >= LEAST_PAGES && found > SHARE * pages
      end
    end
  end
end
