# frozen_string_literal: true

module IronTrellis
  module Core
    module StructuredData
      # One thing that structured data describe. `types` and the names of properties stand without their vocabulary
      # (schema.org), values are texts or further items.
      #
      #   syntax: "json-ld", types: ["Product"], properties: {"name" => ["MS-40"], "offers" => [Item]}
      Item = Struct.new(:syntax, :types, :properties, keyword_init: true) do
        # @return [Hash] for keeping as JSON
        def to_h =
          {
            syntax: syntax,
            types: types,
            properties:
              properties.transform_values do |values|
                values.map { |value| value.is_a?(self.class) ? value.to_h : value }
              end
          }

        # @param hash [Hash{String => Object}] as it was kept
        # @return [Item]
        def self.from(hash)
          properties =
            hash["properties"].transform_values do |values|
              values.map { |value| value.is_a?(Hash) ? from(value) : value }
            end
          new(syntax: hash["syntax"], types: hash["types"], properties: properties)
        end

        # @return [Array<Item>] itself and all items in its properties
        def all = [self] + properties.each_value.flat_map { |values| values.grep(self.class).flat_map(&:all) }
      end
    end
  end
end
