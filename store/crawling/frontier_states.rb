# frozen_string_literal: true

module IronTrellis
  module Store
    module Crawling
      # What can be said of a URL of a frontier, as the numbers that stand in its table.
      module FrontierStates
        ALL = {waiting: 0, leased: 1, done: 2, skipped: 3, deferred: 4, quarantined: 5}.freeze
      end
    end
  end
end
