# frozen_string_literal: true

require "numo/narray"

module IronTrellis
  module Core
    module Graph
      # PageRank (Brin and Page 1998): the share of time that someone who follows links at random, and now and then
      # begins anew anywhere, spends on each page. Pages without links out send everywhere alike. Nodes are numbers from
      # 0 on.
      module Authority
        DAMPING = 0.85
        # It has settled when all shares together change by less than this.
        SETTLED = 1e-9
        MOST_TURNS = 300
        # So many links at a time, since what each of them carries takes twice the room of the link itself.
        SLICE = 1 << 19

        module_function

        # @param nodes [Integer] how many there are
        # @param sources [Numo::Int32] of each link; no link twice and none to itself
        # @param targets [Numo::Int32]
        # @return [Numo::DFloat] shares, which come to 1
        #   Authority.of(2, Numo::Int32[0], Numo::Int32[1]).to_a # => [0.3508…, 0.6491…]
        def of(nodes, sources, targets)
          return Numo::DFloat.zeros(nodes) if nodes.zero?
          return Numo::DFloat.new(nodes).fill(1.0 / nodes) if sources.empty?

          degrees = Numo::DFloat.cast(sources.bincount(minlength: nodes))
          ends = degrees.eq(0).where
          degrees[ends] = 1.0
          settle(nodes, sources, targets, degrees, ends)
        end

        def settle(nodes, sources, targets, degrees, ends)
          shares = Numo::DFloat.new(nodes).fill(1.0 / nodes)
          MOST_TURNS.times do
            everywhere = (1 - DAMPING + DAMPING * (ends.empty? ? 0.0 : shares[ends].sum)) / nodes
            following = carried(shares / degrees, sources, targets) * DAMPING + everywhere
            change = (following - shares).abs.sum
            shares = following
            break if change < SETTLED

            # Numo's arrays of one turn are a hundred megabytes together; the collector would wait for more.
            GC.start(full_mark: false) if sources.size > SLICE
          end
          shares
        end

        # @return [Numo::DFloat] what links bring to each node
        def carried(given, sources, targets)
          (0...sources.size).step(SLICE).reduce(Numo::DFloat.zeros(given.size)) do |sum, from|
            part = from...[from + SLICE, sources.size].min
            sum + targets[part].bincount(given[sources[part]], minlength: given.size)
          end
        end
        private_class_method :settle, :carried
      end
    end
  end
end
