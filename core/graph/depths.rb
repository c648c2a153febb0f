# frozen_string_literal: true

module IronTrellis
  module Core
    module Graph
      # Fewest clicks from a start to each node over followed links; a redirect hop costs nothing. A breadth-first
      # walk that spends the free steps of a level before the next one.
      module Depths
        module_function

        # @param starts [Array<Object>] node ids
        # @param links [Hash{Object => Array<Object>}] followed clicks out of each node
        # @param redirects [Hash{Object => Object}] the next hop of each redirecting node
        # @return [Hash{Object => Integer}] nodes that are reached, with their depth
        #   Depths.of(starts: [1], links: {1 => [2]}, redirects: {2 => 3}) # => {1=>0, 2=>1, 3=>1}
        def of(starts:, links:, redirects:)
          depths = {}
          level = starts
          depth = 0
          until level.empty?
            level = level.select { |node| reach(node, depth, depths, redirects) }
            arrived = level.flat_map { |node| with_hops(node, redirects) }
            level = arrived.flat_map { |node| links.fetch(node, []) }.reject { |node| depths.key?(node) }.uniq
            depth += 1
          end
          depths
        end

        def reach(node, depth, depths, redirects)
          return false if depths.key?(node)

          while node && !depths.key?(node)
            depths[node] = depth
            node = redirects[node]
          end
          true
        end

        def with_hops(node, redirects)
          trail = []
          while node && !trail.include?(node)
            trail << node
            node = redirects[node]
          end
          trail
        end
        private_class_method :reach, :with_hops
      end
    end
  end
end
