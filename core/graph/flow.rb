# frozen_string_literal: true

require "numo/narray"

module IronTrellis
  module Core
    module Graph
      # How authority flows between groups of pages: each page parts its share evenly among the links that lead out of
      # it.
      module Flow
        # What goes from one group to another: links, and the share of all authority that they carry in one step.
        Stream = Struct.new(:from, :to, :links, :share, keyword_init: true)
        SLICE = 1 << 19

        module_function

        # @param groups [Numo::Int32] by node, the number of its group
        # @param count [Integer] of groups
        # @param sources [Numo::Int32] of each link
        # @param targets [Numo::Int32]
        # @param shares [Numo::DFloat] by node, as Authority gives them
        # @return [Array<Stream>] those that carry something, the broadest first
        def between(groups, count, sources, targets, shares)
          return [] if sources.empty?

          passed = shares / Numo::DFloat.cast(sources.bincount(minlength: groups.size)).clip(1.0, nil)
          links, carried = Numo::Int32.zeros(count * count), Numo::DFloat.zeros(count * count)
          0.step(sources.size - 1, SLICE) do |from|
            part = from...[from + SLICE, sources.size].min
            streams = groups[sources[part]] * count + groups[targets[part]]
            links += streams.bincount(minlength: count * count)
            carried += streams.bincount(passed[sources[part]], minlength: count * count)
          end
          streams(links, carried, count)
        end

        def streams(links, carried, count)
          links
            .gt(0)
            .where
            .to_a
            .map { |at| Stream.new(from: at / count, to: at % count, links: links[at], share: carried[at]) }
            .sort_by { |stream| [-stream.share, stream.from, stream.to] }
        end
        private_class_method :streams
      end
    end
  end
end
