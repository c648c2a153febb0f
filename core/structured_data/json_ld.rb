# frozen_string_literal: true

require "json"

module IronTrellis
  module Core
    module StructuredData
      # Reads structured data written as JSON-LD 1.1 in the script elements of a page: the things that have a type,
      # wherever they stand. All scripts of a page are one document: what they say under one "@id" is of one thing.
      class JsonLd
        DEEPEST = 40
        # Around the JSON, as some templates put them.
        WRAPPING = /\A\s*(?:<!--|\/\/\s*<!\[CDATA\[|<!\[CDATA\[)|(?:-->|\/\/\s*\]\]>|\]\]>)\s*\z/
        NOWHERE = "http://localhost/"
        NO_TYPE = "nothing in it has a type"

        # @param source [String] the content of one script
        # @return [Array(Array<Item>, String)] the items, and what is wrong (nil where nothing is)
        def self.read(source)
          items, problems = read_all([source])
          [items, problems.first]
        end

        # @param sources [Array<String>] the contents of a page's scripts
        # @param resolver [Url::Resolver, nil] of the page, by which addresses of things are made whole
        # @return [Array(Array<Item>, Array<String, nil>)] the items, and what is wrong with each script
        def self.read_all(sources, resolver = nil) = new(resolver).read_all(sources)

        # @param resolver [Url::Resolver, nil]
        def initialize(resolver)
          @things = JsonLdThings.new(resolver || Url::Resolver.new(Url::NormalForm.parse(NOWHERE)))
        end

        # (see .read_all)
        def read_all(sources)
          read = sources.map { |source| parse(source) }
          nodes = read.map { |value, problem| problem ? [] : @things.add(value) }
          problems = read.zip(nodes).map do |(_, problem), some|
            problem || (NO_TYPE unless some.any? { |node| @things.typed?(node) })
          end
          [@things.items(nodes.flatten(1)), problems]
        end

        private

        # @return [Array(Object, String)] the value, or what is wrong
        def parse(source)
          text = source.gsub(WRAPPING, "").strip
          return nil, "it is empty" if text.empty?

          [JSON.parse(text, max_nesting: DEEPEST), nil]
        rescue JSON::NestingError
          [nil, "it is nested deeper than #{DEEPEST} levels"]
        rescue JSON::ParserError => error
          [nil, "it is no JSON: #{message(error)}"]
        end

        def message(error) = error.message.lines.first.to_s.sub(/\A\d+: /, "").strip[0, 120].scrub("?")
      end
    end
  end
end
