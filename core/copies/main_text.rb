# frozen_string_literal: true

module IronTrellis
  module Core
    module Copies
      # The text that a page is there for: without navigation, the page's own header and footer and what stands aside,
      # without lines that are nothing but links, and without the boilerplate of its kind.
      module MainText
        # A page with fewer words of its own is no copy of another and quotes none: it says too little to tell (ours).
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

        # @param size [Integer] how many lines there are
        # @param frames [Array<Integer>] as #blocks takes them
        # @param menus [Array<Integer>, nil] numbers of lines that are nothing but links
        # @return [Array<Integer>] numbers of the lines of its main text, whatever other pages of its kind say too
        def spoken(size, frames, menus) = numbers(size, frames) - (menus || [])

        # @param lines [Array<String>] all of a page
        # @param numbers [Array<Integer>] of those outside the frames
        # @param menus [Array<Integer>] of those that are nothing but links
        # @param boilerplate [Array<Hash{String => true}>] of the groups and folders that the page belongs to
        # @return [Array(Array<Integer>, Array<Integer>)] numbers of the lines of its main text, and of its own lists of
        #   links
        def own(lines, numbers, menus, boilerplate)
          own = boilerplate.all?(&:empty?) ? numbers : numbers.reject { |one| said?(lines[one], boilerplate) }
          menus = (menus || []).to_h { |one| [one, true] }
          own.partition { |one| !menus.key?(one) }
        end

        # @param lines [Array<String>] all of a page
        # @param numbers [Array<Integer>] of some of them
        # @return [Integer] their words
        def words(lines, numbers) = numbers.sum { |number| Content::Words.count(lines[number]) }

        def said?(line, boilerplate) = boilerplate.any? { |blocks| blocks.key?(line) }
        private_class_method :said?
      end
    end
  end
end
