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

        def item?(node) = !node["itemscope"].nil?

        def names(node) = node["itemprop"].to_s.split

        def types(node) = node["itemtype"].to_s.split.map { |type| Vocabulary.short(type) }
      end
    end
  end
end
