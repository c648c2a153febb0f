# frozen_string_literal: true

module IronTrellis
  module Core
    module Copies
      # The text that a page is there for: without navigation, the page's own header and footer and what stands aside,
      # without lines that are nothing but links, and without the boilerplate of its kind.
      module MainText
        # A page of which nearly nothing is left is nothing but its template, or a list of links: then that counts.
        LEAST_WORDS = 15

        module_function

        # @param texts [String] a block a line
        # @param frames [Array<Integer>] numbers of lines, from and to (not included) by turns, that are no main text
        # @return [Array<String>] the blocks outside the frames; all of them where there are none
        def blocks(texts, frames) =
          texts.split("\n").then { |lines| numbers(lines.size, frames).map { |number| lines[number] } }

        # @param size [Integer] how many lines there are
        # @param frames [Array<Integer>] as #blocks takes them
        # @return [Array<Integer>] numbers of the lines outside the frames; of all where there are none
        def numbers(size, frames) = outside(size, frames).then { |found| found.empty? ? (0...size).to_a : found }

        # @param size [Integer] how many lines there are
        # @param frames [Array<Integer>] as #blocks takes them
        # @return [Array<Integer>] numbers of the lines outside the frames; none where the page is nothing but frames
        def outside(size, frames)
          return (0...size).to_a if frames.nil? || frames.empty?

          starts = frames.each_slice(2).map(&:last).unshift(0)
          ends = frames.each_slice(2).map(&:first).push(size)
          starts.zip(ends).flat_map { |from, to| (from...[to, size].min).to_a }
        end

        # @param lines [Array<String>] all of a page
        # @param numbers [Array<Integer>] of those outside the frames
        # @param menus [Array<Integer>] of those that are nothing but links
        # @param boilerplate [Array<Hash{String => true}>] of the groups and folders that the page belongs to
        # @return [Array<Integer>] numbers of the lines of its main text
        def own(lines, numbers, menus, boilerplate)
          spoken = enough(lines, numbers, numbers - (menus || []))
          return spoken if boilerplate.all?(&:empty?)

          enough(lines, spoken, spoken.reject { |number| boilerplate.any? { |blocks| blocks.key?(lines[number]) } })
        end

        def enough(lines, all, some) =
          (some.size == all.size || some.sum { |number| lines[number].count(" ") + 1 } < LEAST_WORDS) ? all : some
        private_class_method :enough
      end
    end
  end
end
