# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Extractors
        # Open Graph's properties (ogp.me), the first of each.
        module OpenGraph
          NAME = :open_graph
          PROPERTY = /\Aog:/

          module_function

          # @param document [DocumentReading]
          # @return [Hash{String => String}]
          def call(document)
            document
              .few("meta")
              .filter_map do |meta|
                [meta["property"].strip, Content::Folded.of(meta["content"].to_s)] if meta["property"]&.match?(PROPERTY)
              end
              .reverse
              .to_h
          end
        end
      end
    end
  end
end
