# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # What only a whole crawl, or the next evidence, can tell: what leads to a page, what others say, what an index
        # does.
        module ByCrawl
          CODES = %w[orphan few-links-in too-deep copy-near little-of-its-own render-only].freeze

          # @return [Array(nil, String)]
          def self.call(_condition, _world) = [nil, "the next crawl of the whole site tells"]
        end
      end
    end
  end
end
