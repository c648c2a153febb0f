# frozen_string_literal: true

module SkerrySite
  module Chapters
    # Stockists along the coast, a page for each town.
    class Towns
      TOWNS = [
        "Marrow Sound",
        "Pencarrick",
        "Ulsvik",
        "Tarn Ferry",
        "Hollin Bay",
        "Dry Harbour",
        "Saint Wen",
        "Little Skarra",
        "Osmund's Quay",
        "Greyling",
        "Port Amble",
        "Kittiwick",
        "Brannock",
        "Sandray",
        "Cold Ness",
        "Three Bells",
        "Merrick Strand",
        "Vane",
        "Ottery Head",
        "Lamb's Landing",
        "Great Skarra",
        "Hob's Lock",
        "Tidewell",
        "Norrey"
      ].freeze

      # @param catalogue [Catalogue]
      def initialize(catalogue)
        @catalogue = catalogue
        @teller = Teller.new(catalogue.telling["towns"], catalogue.telling["towns"]["words"])
      end

      # @return [void]
      def write
        @catalogue.append(
          "/stockists/",
          "<h2>Along the coast</h2>#{@catalogue.teasers(TOWNS.map { |town| [path(town), town, ""] })}"
        )
        TOWNS.each_with_index { |town, place| write_town(town, TOWNS[(place + 1) % TOWNS.size]) }
      end

      private

      def path(town) = "/stockists/coast/#{town.downcase.delete("'").tr(" ", "-")}"

      def write_town(town, next_town)
        text = @teller.tell(town, %w[place hours stocked note hours stocked close], "town" => town)
        @catalogue.add(
          path(town),
          "Our lamps in #{town}",
          "<p>#{@catalogue.escape(text)}</p><p>Further along the " \
          "coast: #{@catalogue.link(path(next_town), next_town)}.</p>",
          heading: "#{town}: where to see them",
          description: text[/\A[^.]+\./]
        )
      end
    end
  end
end
