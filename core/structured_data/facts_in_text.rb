# frozen_string_literal: true

module IronTrellis
  module Core
    module StructuredData
      # How pages write the telephone number, the name and the address of a business in their text: held against each
      # other, and against what the structured data of the site says of it.
      class FactsInText
        MOST_PAGES = 500

        # @param businesses [Array<BusinessFacts::Business>]
        def initialize(businesses)
          @businesses = businesses
          @others = Hash.new { |all, key| all[key] = {} }
          @told = []
        end

        # @param url [String]
        # @param windows [Array<Array<String>>] see ContactLines
        # @return [void]
        def add(url, windows)
          windows.each do |lines|
            @businesses.each do |business|
              compare(business, lines, url) if fold(lines.join(" ")).include?(business.folded)
            end
          end
        end

        # @return [Array<BusinessFacts::Odd>]
        def odd = (other_numbers + @told).uniq

        private

        def note(writings, writing, url)
          seen = writings[writing] ||= [0, []]
          seen[0] += 1
          seen[1] << url if seen[1].size < MOST_PAGES
        end

        def compare(business, lines, url)
          known = business.telephones.map { |number| ContactLines.key(number) }
          numbers(business, lines).uniq.each do |number|
            note(@others[business], number, url) unless known.empty? || known.include?(ContactLines.key(number))
          end
          lines.each do |line|
            name = line.split(",").first.to_s.strip
            if named?(business, line) && name != business.name && name != name.upcase
              tell(url, "name", name, business.name)
            end
            if business.address && other_house?(business.address, line)
              tell(url, "address", line.strip, business.address)
            end
          end
        end

        # Under the name of a business, in a line of its own, a number is its number.
        def numbers(business, lines)
          return ContactLines.signed_numbers(lines) unless lines.any? { |line| named?(business, line) }

          lines.flat_map { |line| ContactLines.numbers(line) }
        end

        def named?(business, line) = fold(line.split(",").first.to_s) == business.folded

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

        def fold(text) = BusinessFacts.folded(text)
      end
    end
  end
end
