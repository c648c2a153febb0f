# frozen_string_literal: true

module IronTrellis
  module Core
    module Languages
      # Which language the pages of a place speak: of a folder named after a language, else of a host. Tells the
      # language of addresses that have no page.
      class OfPlaces
        PLACE = %r{\Ahttps?://([^/]+)(?:/([a-z]{2}(?:-[a-z]{2})?)(?=/|\z))?}i

        # @param pages [Hash{String => String, nil}] what the pages' lang attributes say, by URL
        def initialize(pages)
          spoken = Hash.new { |all, place| all[place] = Hash.new(0) }
          pages.each { |url, lang| places(url).each { |place| spoken[place][main(lang)] += 1 } if lang && !lang.empty? }
          @spoken = spoken.transform_values { |counts| counts.max_by { |_, count| count }.first }
        end

        # @param url [String]
        # @param lang [String, nil] what the page itself says
        # @return [String, nil] the language without script and region
        #   OfPlaces.new("http://a.test/pt/x" => "pt-PT").of("http://a.test/pt/gone") # => "pt"
        def of(url, lang = nil)
          return main(lang) if lang && !lang.empty?

          places(url).filter_map { |place| @spoken[place] }.first
        end

        private

        # The narrower one first.
        def places(url)
          host, folder = PLACE.match(url)&.captures
          (folder && Codes::LANGUAGES.key?(folder[0, 2].downcase)) ? ["#{host}/#{folder.downcase}"] : [host].compact
        end

        def main(lang) = lang[/\A[a-zA-Z]+/].to_s.downcase
      end
    end
  end
end
