# frozen_string_literal: true

module IronTrellis
  module Core
    module Copies
      # The text that a page is there for: without navigation, the page's own header and footer and what stands aside, and without the
      # boilerplate of its group.
      module MainText
        # A page of which nearly nothing is left is nothing but its template: then that counts.
        LEAST_WORDS = 15

        module_function

        # @param texts [String] a block a line
        # @param frames [Array<Integer>] numbers of lines, from and to (not included) by turns, that are no main text
        # @return [Array<String>] the blocks outside the frames; all of them where there are none
        def blocks(texts, frames)
          lines = texts.split("\n")
          return lines if frames.nil? || frames.empty?

          starts = frames.each_slice(2).map(&:last).unshift(0)
          ends = frames.each_slice(2).map(&:first).push(lines.size)
          outside = starts.zip(ends).flat_map { |from, to| lines[from...to] || [] }
          outside.empty? ? lines : outside
        end

        # @param blocks [Array<String>] as #blocks gives them
        # @param boilerplate [Hash{String => true}] of the page's group
        # @return [String]
        def of(blocks, boilerplate)
          return blocks.join("\n") if boilerplate.empty?

          own = blocks.reject { |block| boilerplate.key?(block) }.join("\n")
          (own.count(" \n") + 1 < LEAST_WORDS) ? blocks.join("\n") : own
        end
      end
    end
  end
end
