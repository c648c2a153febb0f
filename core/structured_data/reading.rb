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
          @problems = []
          @items = scripts.each.with_index(1).flat_map { |source, number| from_script(source, number) }
          [Microdata, RdfaLite].each do |syntax|
            @items.concat(syntax.new(document, resolver).items) if syntax.in?(html)
          end
        end

        private

        def from_script(source, number)
          items, problem = JsonLd.read(source)
          @problems << "JSON-LD #{number}: #{problem}" if problem
          items
        end
      end
    end
  end
end
