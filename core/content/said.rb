# frozen_string_literal: true

module IronTrellis
  module Core
    module Content
      # What a page says besides what every page of its host says: without navigation, lines of mere links, headings,
      # what the host's home page says as well, and its own address, which the answer to a made-up one often repeats.
      module Said
        # A shorter last part of an address may be any word.
        LEAST_PART = 4

        module_function

        # @param lines [Array<String>] of the page's text
        # @param numbers [Array<Integer>] of those that are main text
        # @param headings [Array<String>]
        # @param url [String] the page's own
        # @param home [Hash{String => true}] lines of the host's home page
        # @return [String]
        def of(lines, numbers:, headings:, url:, home: {})
          address = own_address(url)
          numbers
            .map { |number| lines[number] }
            .reject { |line| home.key?(line) || headings.include?(line) }
            .map { |line| line.gsub(address, " ") }
            .join("\n")
        end

        # Its path, and the last part of it where that can't be taken for a word of the text.
        def own_address(url)
          path = url.sub(%r{\Ahttps?://[^/]+}, "")
          last = path[%r{[^/?]+(?=/?(?:\?|\z))}].to_s
          parts = [url, path, Url::Percent.decode(path)].reject { |part| part.size < 2 }
          parts << last if last.size >= LEAST_PART
          parts.empty? ? /(?!)/ : /(?<![[:alnum:]])#{Regexp.union(parts.uniq)}(?![[:alnum:]])/
        end
        private_class_method :own_address
      end
    end
  end
end
