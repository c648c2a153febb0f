# frozen_string_literal: true

module SkerrySite
  module Chapters
    # The lamps, filtered and sorted in every way that somebody once thought of.
    class Lists
      SORTS = {"price" => "price", "height" => "height", "range" => "reach"}.freeze

      # @param catalogue [Catalogue]
      def initialize(catalogue)
        @catalogue = catalogue
      end

      # @return [void]
      def write
        filters =
          %w[metal glass].flat_map do |field|
            @catalogue
              .lamps
              .map { |lamp| lamp[field] }
              .uniq
              .reject { |value| value == "none" }
              .map { |value| [field, value] }
          end
        items = filters.map { |field, value| filtered(field, value) } + SORTS.map { |field, name| sorted(field, name) }
        @catalogue.append("/lamps/", "<h2>Find a lamp</h2>#{@catalogue.teasers(items)}")
      end

      private

      def filtered(field, value)
        path = "/lamps/?#{field}=#{value.tr(" ", "+")}"
        lamps = @catalogue.lamps.select { |lamp| lamp[field] == value }
        add(path, "Lamps by #{field}: #{value}", "#{field.capitalize}: #{value}", lamps)
      end

      def sorted(field, name) =
        add(
          "/lamps/?sort=#{field}",
          "All lamps by their #{name}",
          "By #{name}",
          @catalogue.lamps.sort_by { |lamp| lamp[field] }
        )

      def add(path, title, heading, lamps)
        @catalogue.add(
          path,
          title,
          @catalogue.teasers(lamps.map { |lamp| [lamp["path"], lamp["name"], lamp["use"]] }),
          heading: heading,
          listed: false
        )
        [path, heading, ""]
      end
    end
  end
end
