# frozen_string_literal: true

require "json"

module IronTrellis
  module Core
    module StructuredData
      # Reads structured data written as JSON-LD 1.1 in a script element: the objects that have a type, wherever they
      # stand. Contexts aren't fetched; names are taken as schema.org's.
      class JsonLd
        DEEPEST = 40
        # Around the JSON, as some templates put them.
        WRAPPING = /\A\s*(?:<!--|\/\/\s*<!\[CDATA\[|<!\[CDATA\[)|(?:-->|\/\/\s*\]\]>|\]\]>)\s*\z/
        VALUES = %w[@value @id].freeze

        # @param source [String] the content of the script
        # @return [Array(Array<Item>, String)] the items, and what is wrong (nil where nothing is)
        def self.read(source) = new.read(source)

        # (see .read)
        def read(source)
          text = source.gsub(WRAPPING, "").strip
          return [[], "it is empty"] if text.empty?

          found = top(JSON.parse(text, max_nesting: DEEPEST))
          found.empty? ? [[], "nothing in it has a type"] : [found, nil]
        rescue JSON::NestingError
          [[], "it is nested deeper than #{DEEPEST} levels"]
        rescue JSON::ParserError => error
          [[], "it is no JSON: #{message(error)}"]
        end

        private

        def top(value)
          case value
          when Array then value.flat_map { |one| top(one) }
          when Hash then value.key?("@type") ? [item(value)] : top(value["@graph"])
          else []
          end
        end

        def item(hash)
          properties = hash.reject { |name, _| name.start_with?("@") }
          Item.new(syntax: "json-ld", types: Array(hash["@type"]).grep(String).map { |type| Vocabulary.short(type) },
            properties: properties.to_h { |name, value| [Vocabulary.short(name), values(value)] })
        end

        def values(value)
          case value
          when Array then value.flat_map { |one| values(one) }
          when Hash then object(value)
          when nil then []
          else [value.to_s]
          end
        end

        # A value with its language or type, a reference (which may say more of what it leads to) or a thing of its own.
        def object(hash)
          plain = hash.values_at(*VALUES).compact.first unless hash.key?("@type")
          said = hash.keys.any? { |name| name == "@type" || !name.start_with?("@") }
          [plain&.to_s, (item(hash) if said)].compact
        end

        def message(error) = error.message.lines.first.to_s.sub(/\A\d+: /, "").strip[0, 120].scrub("?")
      end
    end
  end
end
