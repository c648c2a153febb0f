# frozen_string_literal: true

module IronTrellis
  module Core
    module StructuredData
      # Structured data as RDFa Lite 1.1 (W3C): vocab, typeof, property, resource, prefix. Open Graph's metas, which use
      # property too, have no typeof around them.
      class RdfaLite < MarkedUp
        # @param html [String]
        # @return [Boolean] whether a document may hold some
        def self.in?(html) = html.include?("typeof=")

        private

        def syntax = "rdfa"

        def top = "[typeof]:not([property])"

        def item?(node) = !node["typeof"].nil?

        def names(node) = node["property"].to_s.split

        def types(node) = node["typeof"].to_s.split.map { |type| Vocabulary.short(type) }
      end
    end
  end
end
