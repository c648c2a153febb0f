# frozen_string_literal: true

require "date"

module IronTrellis
  module Core
    module Requests
      # On which day each URL of a queue is asked for, by the quota of its index: what matters most first, then what has
      # waited longest.
      module Portions
        # Where an index doesn't say its quota (common practice).
        USUAL_QUOTA = 10

        module_function

        # @param queue [Array<#importance, #entered_at, #url>]
        # @param quota [Integer] a day
        # @param used [Integer] of today's quota
        # @param today [Date]
        # @return [Array<Array(Object, Date)>] each with its day, in order
        # @example
        #   Portions.of([], quota: 10, used: 0, today: Date.new(2027, 1, 4)) # => []
        def of(queue, quota:, used:, today:)
          sorted = queue.sort_by { |one| [-one.importance, one.entered_at, one.url] }
          sorted.each_with_index.map { |one, place| [one, today + (place + [used, quota].min) / quota] }
        end
      end
    end
  end
end
