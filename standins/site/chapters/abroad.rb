# frozen_string_literal: true

require "zlib"

module SkerrySite
  module Chapters
    # The lamps in four more languages. What is wrong with a lamp's English page on purpose isn't translated.
    module Abroad
      module_function

      # @param languages [Hash] of the catalogue; items are added to it
      # @param lamps [Array<Hash>]
      # @param telling [Hash] by language
      # @param spoilt [Array<String>] paths
      # @return [void]
      def translate(languages, lamps, telling, spoilt)
        telling.each do |lang, words|
          known = languages[lang]["items"].map { |item| item["en"] }
          sound =
            lamps.reject do |lamp|
              (spoilt + known).include?(lamp["path"]) || !words["kinds"].key?(lamp["category"]) ||
                !words["metals"].key?(lamp["metal"])
            end
          languages[lang]["items"] += sound
            .uniq { |lamp| [model(lamp), lamp["metal"]] }
            .map { |lamp| item(lamp, words) }
        end
      end

      def item(lamp, words)
        given = {
          "model" => model(lamp),
          "kind" => words["kinds"][lamp["category"]],
          "metal" => words["metals"][lamp["metal"]],
          "number" => Zlib.crc32(lamp["slug"]) % 9000 + 1000,
          **lamp.slice("height", "range", "price"),
          **%w[care use].to_h { |name| [name, words[name][Zlib.crc32(lamp["slug"] + name) % words[name].size]] }
        }
        fill = ->(text) { text.gsub(/\{(\w+)\}/) { given.fetch($1).to_s } }
        {
          "path" => words["folder"] + lamp["slug"],
          "title" => fill.call(words["title"]),
          "en" => lamp["path"],
          "text" => fill.call(words["text"])
        }
      end

      def model(lamp) = lamp["name"][/\A[A-Z]+-\d+/]
      private_class_method :item, :model
    end
  end
end
