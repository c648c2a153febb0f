# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # How much a fault weighs: by its grade (ours: as much as its cure would free) and by how much the URLs matter
      # that have it.
      module Weight
        BY_GRADE = {"stops" => 1.0, "diverts" => 0.6, "weakens" => 0.2}.freeze
        # What counts that has no importance: the files of a site, images, scripts and styles.
        UNKNOWN = 25.0

        module_function

        # @param rule [Class] a Rule; what is worth a note only weighs nothing
        # @param importance [Numeric] of the URLs that have one, together
        # @param others [Integer] how many URLs have none
        # @return [Float]
        def of(rule, importance:, others: 0)
          rule.note? ? 0.0 : (BY_GRADE.fetch(rule.grade) * (importance + others * UNKNOWN)).round(1)
        end

        # What stops comes before what diverts, and that before what weakens; of one grade the heaviest first.
        #
        # @param grade [String]
        # @param weight [Float]
        # @return [Array] to sort by
        def order(grade, weight) = [Rule::GRADES.index(grade), -weight]
      end
    end
  end
end
