# frozen_string_literal: true

module IronTrellis
  module Core
    module StructuredData
      # How pages write the telephone number, the name and the address of a business in their text: held against each
      # other, and against what the structured data of the site says of it.
      class FactsInText
        # The same number is known by its last digits, with or without the prefix of a country.
        KEY = 8
        # Of a business of which no structured data tells, so many pages must give the number.
        LEAST_PAGES = 3
        MOST_PAGES = 500

        # @param businesses [Array<BusinessFacts::Business>]
        def initialize(businesses)
          @businesses = businesses
          @numbers = nested
          @others = nested
          @told = []
        end

        # @param url [String]
        # @param windows [Array<Array<String>>] see ContactLines
        # @return [void]
        def add(url, windows)
          windows
            .flatten
            .uniq
            .flat_map { |line| ContactLines.numbers(line) }
            .uniq
            .each { |number| note(@numbers[key(number)], number, url) }
          windows.each do |lines|
            @businesses.each do |business|
              compare(business, lines, url) if fold(lines.join(" ")).include?(business.folded)
            end
          end
        end

        # @return [Array<BusinessFacts::Odd>]
        def odd = (written_otherwise + other_numbers + @told).uniq

        private

        def nested = Hash.new { |all, key| all[key] = {} }

        def note(writings, writing, url)
          seen = writings[writing] ||= [0, []]
          seen[0] += 1
          seen[1] << url if seen[1].size < MOST_PAGES
        end

        def compare(business, lines, url)
          known = business.telephones.map { |number| key(number) }
          lines
            .flat_map { |line| ContactLines.numbers(line) }
            .uniq
            .each { |number| note(@others[business], number, url) unless known.empty? || known.include?(key(number)) }
          lines.each do |line|
            name = line.split(",").first.to_s.strip
            if fold(name) == business.folded && name != business.name && name != name.upcase
              tell(url, "name", name, business.name)
            end
            if business.address && other_house?(business.address, line)
              tell(url, "address", line.strip, business.address)
            end
          end
        end

        # One number, written in several ways: the way that most pages have is the usual one.
        def written_otherwise
          @numbers.each_value.flat_map do |writings|
            next [] if writings.size < 2 || writings.each_value.sum(&:first) < LEAST_PAGES

            usual, = writings.min_by { |writing, (pages, _)| [-pages, writing] }
            writings
              .except(usual)
              .flat_map do |writing, (_, urls)|
                urls.map { |url| BusinessFacts::Odd.new(url: url, fact: "telephone", writing: writing, usual: usual) }
              end
          end
        end

        # A number beside the name of a business that is none of those that its structured data gives, on fewer pages
        # than those.
        def other_numbers
          @others.flat_map do |business, writings|
            writings
              .select { |_, (pages, _)| pages < business.pages }
              .flat_map do |writing, (_, urls)|
                urls.map do |url|
                  BusinessFacts::Odd.new(
                    url: url,
                    fact: "telephone",
                    writing: writing,
                    usual: business.telephones.first
                  )
                end
              end
          end
        end

        def tell(url, fact, writing, usual) =
          @told << BusinessFacts::Odd.new(url: url, fact: fact, writing: writing, usual: usual)

        # Whether the street is named with a number that the address doesn't have.
        def other_house?(address, line)
          numbers = fold(address).scan(/\d+\p{L}?/)
          street = fold(address.split(",").first).gsub(/\b\d+\p{L}?\b/, "").squeeze(" ").strip
          return false if street.length < 6 || numbers.empty?

          found = fold(line).match(/(?:\b(\d+\p{L}?) )?\b#{Regexp.escape(street)}\b(?: (\d+\p{L}?)\b)?/) or return false
          found.captures.compact.any? { |number| !numbers.include?(number) }
        end

        def key(number) = number.delete("^0-9").then { |digits| digits[-KEY..] || digits }

        def fold(text) = BusinessFacts.folded(text)
      end
    end
  end
end
