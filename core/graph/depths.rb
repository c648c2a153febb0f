# frozen_string_literal: true

module IronTrellis
  module Core
    module Graph
      # Fewest clicks from a start to each node over followed links; a redirect hop costs nothing. A breadth-first
      # walk that spends the free steps of a level before the next one. Nodes are numbers from 0 on.
      module Depths
        module_function

        # @param starts [Hash{Integer => Integer}] the level on which each start stands, 0 for most
        # @param links [#call] gives the nodes that are one click away from a node
        # @param redirects [Hash{Integer => Integer}] the next hop of each redirecting node
        # @return [Hash{Integer => Integer}] nodes that are reached, with their depth
        #   Depths.of(starts: {1 => 0}, links: {1 => [2]}.method(:[]), redirects: {2 => 3}) # => {1=>0, 2=>1, 3=>1}
        def of(starts:, links:, redirects:)
          depths = {}
          levels = Hash.new { |all, depth| all[depth] = [] }
          starts.each { |node, level| levels[level] << node }
          depth = 0
          until levels.empty?
            level = levels.delete(depth) || []
            arrived = level.flat_map { |node| arrive(node, depth, depths, redirects) }
            following = arrived.flat_map { |node| links.call(node) || [] }.uniq.reject { |node| depths.key?(node) }
            levels[depth + 1].concat(following) if following.any?
            depth += 1
          end
          depths
        end

        # @return [Array<Integer>] the node and its hops, as far as nobody was there before
        def arrive(node, depth, depths, redirects)
          arrived = []
          while node && !depths.key?(node)
            depths[node] = depth
            arrived << node
            node = redirects[node]
          end
          arrived
        end
        private_class_method :arrive
      end
    end
  end
end
