# frozen_string_literal: true

module IronTrellis
  module Core
    module StructuredData
      # The vocabulary of schema.org: which types there are, of what each is a kind, and which properties it may have.
      class SchemaOrg
        # @param lines [Enumerable<String>] "type NAME PARENTS" and "property NAME TYPES VALUES", names parted by commas
        def initialize(lines)
          @parents, @properties = {}, {}
          lines.each do |line|
            kind, name, first, = line.split
            names = first.to_s.split(",")
            case kind
            when "type" then @parents[name] = names
            when "property" then @properties[name] = names
            end
          end
        end

        # @param type [String]
        # @return [Boolean]
        def type?(type) = @parents.key?(type)

        # @param type [String]
        # @return [Array<String>] it and all that it is a kind of
        def kinds_of(type) =
          (@kinds ||= {})[type] ||= [type, *@parents.fetch(type, []).flat_map { |parent| kinds_of(parent) }].uniq

        # @param type [String]
        # @return [Array<String>] types that are a kind of it, in order
        def kinds_below(type) = @parents.keys.select { |one| one != type && kinds_of(one).include?(type) }.sort

        # @param type [String]
        # @return [Array<String>] properties that it may have, in order
        def properties(type)
          kinds = kinds_of(type)
          @properties.select { |_, types| (types & kinds).any? }.keys.sort
        end

        # @param item [Item]
        # @return [Array<String>] types and properties of it that schema.org doesn't know, in words
        def unknown(item)
          item.all.flat_map do |one|
            types = one.types.select { |type| type?(type) }
            known = types.flat_map { |type| properties(type) }
            (one.types - types).map { |type| "#{type} is no type of schema.org" } +
              (types.empty? ? [] : (one.properties.keys - known).map { |name| "#{types.join(", ")} has no #{name}" })
          end
        end
      end
    end
  end
end
