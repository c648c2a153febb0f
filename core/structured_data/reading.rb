# frozen_string_literal: true

module IronTrellis
  module Core
    module StructuredData
      # All structured data of a document, and what of them can't be read.
      class Reading
        attr_reader :items, :problems

        # @param scripts [Array<String>] contents of its JSON-LD scripts
        # @param document [Nokolexbor::Document]
        # @param html [String] the document's source
        # @param resolver [Url::Resolver]
        def initialize(scripts, document, html, resolver)
          @items, problems = JsonLd.read_all(scripts, resolver)
          @problems = problems.each.with_index(1).filter_map { |what, number| "JSON-LD #{number}: #{what}" if what }
          [Microdata, RdfaLite].each do |syntax|
            @items.concat(syntax.new(document, resolver).items) if syntax.in?(html)
          end
        end
      end
    end
  end
end
