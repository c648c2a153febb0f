# frozen_string_literal: true

module IronTrellis
  module Core
    module StructuredData
      # The things of JSON-LD documents as they are gathered: those that have an "@id" are known again by it, whichever
      # script or property speaks of them (JSON-LD 1.1, section 9.3, and its flattening algorithm).
      class JsonLdThings
        # One thing: the address that it is known by (nil for none), its types, and its properties with their values:
        # texts and further things.
        Thing = Struct.new(:id, :written_id, :types, :properties, keyword_init: true)
        LISTS = %w[@list @set].freeze

        # @param resolver [Url::Resolver] of the page
        def initialize(resolver)
          @resolver = resolver
          @known = {}
        end

        # @param value [Object] a whole document
        # @return [Array<Thing>] those that stand at its top
        def add(value, context = JsonLdContext.none)
          case value
          when Array then value.flat_map { |one| add(one, context) }
          when Hash then of_object(value, context)
          else []
          end
        end

        # @param thing [Thing]
        # @return [Boolean] whether any script says what it is
        def typed?(thing) = thing.types.any?

        # @param things [Array<Thing>] of the top
        # @return [Array<Item>] each that has a type once; a thing that is told already stands by its address
        def items(things)
          told = {}.compare_by_identity
          top = things.uniq(&:object_id).select { |thing| typed?(thing) }
          top.each { |thing| told[thing] = true }
          top.map { |thing| item(thing, told) }
        end

        private

        def of_object(hash, context)
          context = context.with(hash["@context"]) if hash.key?("@context")
          named = named(hash, context)
          return [thing(named, context)] if named.key?("@type") || (named.key?("@id") && !named.key?("@graph"))

          add(named["@graph"], context)
        end

        # Keys as they are meant, without those of the context itself.
        def named(hash, context) =
          hash.except("@context").each_with_object({}) { |(name, value), all| all[context.name(name)] ||= value }

        def thing(named, context)
          found = known(named["@id"])
          found.types |= texts(named["@type"]).map { |type| context.name(type) }
          named.each do |name, value|
            next if name.start_with?("@")

            found.properties[name] = (found.properties[name] || []) | values(value, context)
          end
          found
        end

        def known(id)
          return blank unless id.is_a?(String)

          # Blank nodes ("_:b0") are known again within a document only, and named otherwise in the next.
          address = id.start_with?("_:") ? id : (@resolver.parts(id)&.to_s&.+(id[/#.*/].to_s) || id)
          @known[address] ||= blank.tap { |one| one.id, one.written_id = address, id }
        end

        def blank = Thing.new(types: [], properties: {})

        def texts(value) = Array(value).grep(String)

        def values(value, context)
          case value
          when Array then value.flat_map { |one| values(one, context) }
          when Hash then object(value, context)
          when nil then []
          else [value.to_s]
          end
        end

        # A value with its language or type, a list, or a thing.
        def object(hash, context)
          context = context.with(hash["@context"]) if hash.key?("@context")
          named = named(hash, context)
          return values(named["@value"], context) if named.key?("@value")

          list = LISTS.find { |name| named.key?(name) }
          return values(named[list], context) if list

          [thing(named, context)]
        end

        def item(thing, told)
          properties =
            thing.properties.transform_values do |values|
              values.flat_map { |value| value.is_a?(Thing) ? reference(value, told) : [value] }
            end
          Item.new(syntax: "json-ld", types: thing.types, properties: properties)
        end

        # What it refers to by an address, and the thing itself where it is told here.
        def reference(thing, told)
          address = thing.written_id
          return [address].compact if told.key?(thing) || (thing.types.empty? && thing.properties.empty?)

          told[thing] = true
          [address, item(thing, told)].compact
        end
      end
    end
  end
end
