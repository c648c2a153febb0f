# frozen_string_literal: true

module IronTrellis
  module Core
    module StructuredData
      # What microdata and RDFa Lite share: an element begins an item, elements inside name its properties, and the
      # value of a property is told by the kind of its element (HTML standard, "microdata: values").
      class MarkedUp
        URLS = {
          "a" => "href",
          "area" => "href",
          "link" => "href",
          "img" => "src",
          "audio" => "src",
          "video" => "src",
          "embed" => "src",
          "iframe" => "src",
          "source" => "src",
          "track" => "src",
          "object" => "data"
        }.freeze
        MOST = 500
        # Properties within properties could make much of little; when so many characters are gathered, further texts
        # stay empty.
        MOST_CHARACTERS = 1_000_000

        # @param document [Nokolexbor::Document]
        # @param resolver [Url::Resolver]
        def initialize(document, resolver)
          @document = document
          @resolver = resolver
          @room = MOST_CHARACTERS
        end

        # @return [Array<Item>] those that are no property of another
        def items = @document.css(top).first(MOST).map { |node| item(node) }

        private

        def item(node)
          (@open ||= []) << node
          properties = Hash.new { |all, name| all[name] = [] }
          each_property(node) { |one| names(one).each { |name| properties[Vocabulary.short(name)] << value(one) } }
          Item.new(syntax: syntax, types: types(node), properties: {}.merge(properties))
        ensure
          @open.pop
        end

        # Elements elsewhere in the document that belong to an item.
        def further(_node) = []

        # Goes through what is inside, but not into items there: their properties are their own. Without calling itself,
        # since a page may nest its elements deep.
        def each_property(node)
          waiting = children(node) + further(node)
          while (one = waiting.shift)
            yield one if names(one).any?
            waiting.unshift(*children(one)) unless item?(one)
          end
        end

        def children(node) = node.children.select(&:element?)

        def value(node)
          return @open.include?(node) ? "" : item(node) if item?(node)
          return node["content"].strip if node["content"]

          url = URLS[node.name] && node[URLS[node.name]]
          return @resolver.call(url) || url if url

          said(node) || text(node)
        end

        # What these elements say for programs, beside what people read.
        def said(node)
          case node.name
          when "time" then node["datetime"]
          when "data", "meter" then node["value"]
          end
        end

        def text(node)
          return "" unless @room.positive?

          Content::Folded.of(node.text.tap { |text| @room -= text.size })
        end
      end
    end
  end
end
