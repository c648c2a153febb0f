# frozen_string_literal: true

module IronTrellis
  module Work
    module Judging
      # How the URLs of a crawl were found, and what they are by it: what is embedded stays what it is embedded as.
      class HowFound
        Tables = Store::Pages::FactsTables
        PAGE = Store::Crawling::Frontier::PURPOSES[:page]

        # @param starts [Array<String>] addresses
        def initialize(starts)
          @starts = starts.to_h { |url| [url, true] }
        end

        # @param url [String]
        # @return [Boolean]
        def start?(url) = @starts.key?(url)

        # @param row [Hash{String => Object}] of the facts
        # @param listed [Array<String>] sitemap files that list it
        # @return [Array<String>] start, names of Tables::FOUND_BY, sitemap
        def found_by(row, listed)
          types = row["types"] || 0
          ways = Tables::FOUND_BY.reject { |_, bits| (types & bits).zero? }.keys
          ways.unshift("start") if start?(row["url"])
          ways << "sitemap" if listed.any?
          ways
        end

        # @param row [Hash{String => Object}]
        # @return [String, nil] of Core::Page::Kind, even where a picture answers with a page
        def kind(row)
          return row["kind"] if row["purpose"] == PAGE

          embedded =
            Core::Page::Kind::RESOURCES.select do |name|
              (row["types"] || 0).anybits?(1 << Tables::TYPES.fetch(name))
            end
          (embedded.empty? || embedded.include?(row["kind"])) ? row["kind"] : embedded.first
        end

        # @param row [Hash{String => Object}]
        # @return [Boolean]
        def embedded?(row) = row["purpose"] != PAGE && !((row["types"] || 0) & Tables::EMBEDDED).zero?
      end
    end
  end
end
