# frozen_string_literal: true

module IronTrellis
  module Core
    module StructuredData
      # Structured data as microdata (HTML standard, "microdata").
      class Microdata < MarkedUp
        # @param html [String]
        # @return [Boolean] whether a document may hold some
        def self.in?(html) = html.include?("itemscope")

        private

        def syntax = "microdata"

        def top = "[itemscope]:not([itemprop])"

        # What its itemref names, each once; what lies in the item anyway isn't read twice.
        def further(node)
          ids = node["itemref"].to_s.split.uniq
          return [] if ids.empty?

          elements = ids.first(MOST).filter_map { |id| by_id[id] }.uniq
          elements.reject { |one| one == node || inside?(one, [node, *elements - [one]]) }
        end

        def by_id = @by_id ||= @document.css("[id]").reverse_each.to_h { |one| [one["id"], one] }

        def inside?(node, others)
          while (node = node.parent) && node.element?
            return true if others.include?(node)
          end
          false
        end

        def item?(node) = !node["itemscope"].nil?

        def names(node) = node["itemprop"].to_s.split

        def types(node) = node["itemtype"].to_s.split.map { |type| Vocabulary.short(type) }
      end
    end
  end
end
