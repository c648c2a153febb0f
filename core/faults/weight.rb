# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # How much a fault weighs: by its grade (ours: as much as its cure would free) and by how much the URLs matter that have it.
      module Weight
        BY_GRADE = {"stops" => 1.0, "diverts" => 0.6, "weakens" => 0.2}.freeze
        # What a URL counts that has no importance of its own: one that redirects or isn't there may be worth a page.
        UNKNOWN = 25.0

        module_function

        # @param grade [String]
        # @param importance [Numeric] of the URLs that have one, together
        # @param others [Integer] how many URLs have none
        # @return [Float]
        #   Weight.of("diverts", importance: 150, others: 2) # => 120.0
        def of(grade, importance:, others: 0) = (BY_GRADE.fetch(grade) * (importance + others * UNKNOWN)).round(1)
      end
    end
  end
end
