# frozen_string_literal: true

module SkerrySite
  module Chapters
    # The book of spare parts: a page for each part of each lamp.
    class Parts
      BOOK = "/lamps/spares/book/"
      PARTS = ["wick tube", "chimney", "bail", "gimbal pin", "filler cap", "lens ring"].freeze
      KINDS = %w[what card fit card card close].freeze

      # @param catalogue [Catalogue]
      def initialize(catalogue)
        @catalogue = catalogue
        @teller = Teller.new(catalogue.telling["parts"], catalogue.telling["parts"]["words"])
      end

      # @return [void]
      def write
        lamps = @catalogue.lamps
        lamps.each { |lamp| PARTS.each { |part| write_part(lamp, part) } }
        items = lamps.flat_map { |lamp| PARTS.map { |part| [path(lamp, part), title(lamp, part), ""] } }
        @catalogue.add(
          BOOK,
          "The book of spare parts",
          "<p>Every part of every lamp that we have made since 1931, by lamp and then from the bottom up. Look for " \
          "the number under the lid, find the lamp, and read what the part is called before you measure it; most " \
          "letters that we get about parts are about words.</p>#{@catalogue.teasers(items)}",
          heading: "Spare parts, lamp by lamp",
          description:
            "All spare parts by lamp, from wick tube to lens ring, with their measures and what they are called at " \
            "the bench."
        )
      end

      private

      def path(lamp, part) = "#{BOOK}#{lamp["slug"]}-#{part.tr(" ", "-")}"

      def title(lamp, part) = "#{part.capitalize}: #{lamp["name"]}"

      def write_part(lamp, part)
        given = {"part" => part, "lamp" => lamp["name"], "h" => lamp["height"] * 10 / (PARTS.index(part) + 3)}
        text = @teller.tell(path(lamp, part), KINDS, given)
        others = PARTS.reject { |one| one == part }.map { |one| @catalogue.link(path(lamp, one), one) }
        @catalogue.add(
          path(lamp, part),
          title(lamp, part),
          "<p>#{@catalogue.escape(text)}</p><p>Belongs to #{@catalogue.link(lamp["path"], lamp["name"])}. Also for " \
          "this lamp: #{others.join(", ")}.</p>",
          heading: "#{lamp["name"]}: #{part}",
          description: text[/\A[^.]+\./]
        )
      end
    end
  end
end
