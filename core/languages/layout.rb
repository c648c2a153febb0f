# frozen_string_literal: true

module IronTrellis
  module Core
    module Languages
      # How the languages of a site are laid out, and what is to be said of that (common practice).
      class Layout
        # By language the places where its pages are, the pages counted; how they are told apart; and advice in words.
        Told = Struct.new(:places, :ways, :advice, keyword_init: true)

        WAYS = {
          "folder" => "a folder for each",
          "subdomain" => "a subdomain for each",
          "host" => "a host of its own for each",
          "parameter" => "a parameter in the address",
          "none" => "nothing in the address"
        }.freeze
        PARAMETER = /[?&](?:lang|language|hl|locale|sprache|sprog)=([a-z]{2})/i
        FEW = 3

        # @param pages [Hash{String => String, nil}] lang by URL
        # @param languages [OfPlaces]
        # @param main_host [String]
        def initialize(pages, languages, main_host)
          @spoken = pages.to_h { |url, lang| [url, languages.of(url, lang)] }.compact
          @main_host = main_host
          @main = @spoken.values.tally.max_by { |_, count| count }&.first
        end

        # @return [Told]
        def call
          placed =
            @spoken
              .group_by { |_, language| language }
              .transform_values { |ones| ones.map { |url, _| place(url) }.tally.sort_by { |_, count| -count }.to_h }
          ways =
            placed
              .reject { |language, _| language == @main }
              .values
              .flat_map { |places| places.keys.first(1).map { |place| way(place) } }
              .tally
              .sort_by { |_, count| -count }
              .map(&:first)
          Told.new(places: placed, ways: ways, advice: advice(placed, ways))
        end

        private

        # "www.a.test", "www.a.test/pt", "www.a.test?lang=pt"
        def place(url)
          host, folder = OfPlaces::PLACE.match(url)&.captures
          parameter = url[PARAMETER, 1]
          return "#{host}?#{parameter.downcase}" if parameter

          (folder && Codes::LANGUAGES.key?(folder[0, 2].downcase)) ? "#{host}/#{folder.downcase}" : host.to_s
        end

        def way(place)
          return "parameter" if place.include?("?")
          return "folder" if place.include?("/")
          return "none" if place == @main_host

          (domain(place) == domain(@main_host)) ? "subdomain" : "host"
        end

        def domain(host) = host.split(".").last(2).join(".")

        def advice(placed, ways)
          [
            ("The site speaks one language, so it needs no hreflang." if placed.size < 2),
            (
              if ways.include?("parameter")
                "Parameters are the weakest way: they are easily dropped from links, and a language can't be given a " \
                "sitemap or a robots.txt of its own. Folders are as cheap and don't have that."
              end
            ),
            (
              if ways.include?("none") && placed.size > 1
                "Some languages share their place with the main one, so nothing in an address tells them apart. Give " \
                "each a folder."
              end
            ),
            (
              if (ways - ["none"]).size > 1
                "Languages are laid out in #{ways.size} ways (#{ways.map { |way| WAYS.fetch(way) }.join(", ")}). One " \
                "way for all is easier to link, to measure and to keep whole."
              end
            ),
            (
              if ways.include?("host")
                "A host of its own for a language starts without the links that the main host has; both must carry " \
                "the whole set, and each needs a sitemap of its own."
              end
            ),
            *scattered(placed)
          ].compact
        end

        # A few pages of a language outside of its place are mostly mistakes.
        def scattered(placed)
          placed.flat_map do |language, places|
            main, *rest = places.to_a
            rest
              .select { |_, count| count <= FEW && main.last > count * 3 }
              .map do |place, count|
                "#{count} #{(count == 1) ? "page is" : "pages are"} in “#{language}” at #{place}, though that " \
                "language is at #{main.first}. Look whether their lang attribute is right."
              end
          end
        end
      end
    end
  end
end
