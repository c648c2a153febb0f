# frozen_string_literal: true

require "diff/lcs"

module IronTrellis
  module Core
    module Evidence
      # What an index stored of a text against the text that is there now, word by word.
      module TextDifference
        # A longer text is compared as far as that: time grows with the square of it.
        MOST_WORDS = 3_000
        BOTH = "both"
        STORED = "stored"
        NOW = "now"
        SIGNS = {"=" => BOTH, "-" => STORED, "+" => NOW}.freeze

        module_function

        # @param stored [String]
        # @param now [String]
        # @return [Array<Array(String, String)>] stretches of words: who has them (both, stored, now), and the words
        #   TextDifference.of("Lit by oil", "Lit by gas") # => [["both", "Lit by"], ["stored", "oil"], ["now", "gas"]]
        def of(stored, now)
          old, new = [stored, now].map { |text| text.split.first(MOST_WORDS) }
          steps = Diff::LCS.sdiff(old, new).flat_map { |step| parts(step) }
          steps.chunk_while { |one, other| one.first == other.first }.map { |some| [some[0][0], words(some)] }
        end

        def parts(step)
          return [[SIGNS.fetch(step.action), step.old_element || step.new_element]] unless step.action == "!"

          [[STORED, step.old_element], [NOW, step.new_element]]
        end

        def words(steps) = steps.map(&:last).join(" ")
        private_class_method :parts, :words
      end
    end
  end
end
