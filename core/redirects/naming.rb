# frozen_string_literal: true

module IronTrellis
  module Core
    module Redirects
      # What an address and a title call a page: the last part of its path, the code of a product, its words.
      module Naming
        # Letters and digits that together name a product, like MS-40; parts of lists and dates look alike and are none.
        CODE = /(?<![a-z0-9])([a-z]{1,5})[-_]?(\d{2,6}[a-z]?)(?![a-z0-9])/
        NO_CODES = %w[page p seite side pagina v no nr vol q kw week].freeze
        ENDING = /\.(?:html?|php|aspx?|jsp)\z/
        INDEX = /\A(?:index|default)\z/

        module_function

        # @param url [String] in normal form
        # @return [String] the last part of its path that says something, in lower case and without an ending; "" for a
        #   home page, and where it is a mere number
        #   Naming.slug("http://a.test/lamps/Masthead-Lamp.html") # => "masthead-lamp"
        def slug(url)
          parts = path(url).split("/").reject(&:empty?)
          last = parts.last.to_s.sub(ENDING, "")
          last = parts[-2].to_s if last.match?(INDEX)
          last.match?(/[[:alpha:]]{2}/) ? last.tr("_", "-") : ""
        end

        # @param text [String] a slug or a title
        # @return [Array<String>] the product codes in it, without what parts their letters from their digits
        #   Naming.codes("MS-40 masthead lamp") # => ["ms40"]
        def codes(text) = text.downcase.scan(CODE).reject { |pair| NO_CODES.include?(pair.first) }.map(&:join).uniq

        # @param text [String]
        # @return [Array<String>] its words in lower case
        def words(text) = text.downcase.scan(/[[:alnum:]]+/).uniq

        # @param url [String]
        # @return [String] decoded and in lower case
        def path(url) = Url::Percent.decode(url.sub(%r{\Ahttps?://[^/]+}, "").sub(/\?.*/, "")).downcase

        # @param text [String]
        # @return [Array<String>] its runs of three characters, with its ends marked
        def trigrams(text) = (text.size < 2) ? [] : " #{text} ".each_char.each_cons(3).map(&:join).uniq
      end
    end
  end
end
