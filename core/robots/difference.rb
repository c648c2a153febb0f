# frozen_string_literal: true

require "diff/lcs"

module IronTrellis
  module Core
    module Robots
      # How a draft differs from the file that is there, line by line.
      module Difference
        # `change` is "same", "added" or "removed".
        Line = Struct.new(:change, :text, keyword_init: true)

        module_function

        # @param before [String]
        # @param after [String]
        # @return [Array<Line>] in order
        def of(before, after)
          old, new = [before, after].map { |text| text.delete_prefix(Ruleset::BOM).split(Ruleset::LINE_END) }
          Diff::LCS.sdiff(old, new).flat_map { |step| lines(step) }
        end

        def lines(step)
          return [Line.new(change: "same", text: step.new_element)] if step.unchanged?

          [[step.old_element, "removed"], [step.new_element, "added"]].filter_map do |text, change|
            Line.new(change: change, text: text) if text
          end
        end
        private_class_method :lines
      end
    end
  end
end
