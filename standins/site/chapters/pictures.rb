# frozen_string_literal: true

module SkerrySite
  module Chapters
    # A page around each picture, as programs for picture collections make them: nearly nothing on it.
    class Pictures
      VIEWS = {"drawing" => "The drawing", "hanging" => "In the loft", "dusk" => "Lit at dusk"}.freeze

      # @param catalogue [Catalogue]
      def initialize(catalogue)
        @catalogue = catalogue
      end

      # @return [void]
      def write
        items = @catalogue.lamps.flat_map { |lamp| VIEWS.map { |view, name| picture(lamp, view, name) } }
        @catalogue.add(
          "/pictures/",
          "Pictures of our lamps",
          "<p>All pictures that we have, one to a page. They may be printed by anyone who says where the lamp comes " \
          "from.</p>#{@catalogue.teasers(items)}",
          heading: "All pictures"
        )
      end

      private

      def picture(lamp, view, name)
        path = "/pictures/#{lamp["slug"]}-#{view}"
        @catalogue.add(
          path,
          "#{name}: #{lamp["name"]}",
          "<p><img src=\"/images/#{lamp["slug"]}.svg\" " \
          "alt=\"#{@catalogue.escape(lamp["name"])}\"></p><p>#{@catalogue.link("/pictures/", "All pictures")}</p>",
          heading: "#{lamp["name"]}, #{view}",
          listed: false
        )
        [path, "#{lamp["name"]}, #{view}", ""]
      end
    end
  end
end
