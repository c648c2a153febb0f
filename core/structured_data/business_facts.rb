# frozen_string_literal: true

module IronTrellis
  module Core
    module StructuredData
      # How pages write the name, address and telephone number of a business in their structured data. Writings of one
      # business are known by what they share: its telephone number, or its name but for case and signs.
      class BusinessFacts
        # Pages that are kept of each writing.
        MOST_PAGES = 500

        # A business as most pages write it: its name, folded as it is compared, its telephone numbers and its address,
        # and on how many pages its number is.
        Business = Struct.new(:name, :folded, :telephones, :address, :pages, keyword_init: true)
        # One writing of one fact that isn't the usual one.
        Odd = Struct.new(:url, :fact, :writing, :usual, keyword_init: true)

        def initialize
          @names = nested
          @telephones = nested
          @addresses = nested
          @called = nested
        end

        # @param text [String]
        # @return [String] its letters and digits, in lower case
        def self.folded(text) = text.downcase.gsub(/[^[:alnum:]]+/, " ").strip

        # @param url [String] the page
        # @param items [Array<Item>] its structured data
        # @return [void]
        def add(url, items)
          items.flat_map(&:all).select { |item| Organisations.include?(item) }.each do |item|
            name, telephone, address = %w[name telephone address].map { |fact| written(item.properties[fact]) }
            note(@called, name && folded(name), name, url)
            note(@names, telephone && digits(telephone), name, url)
            note(@telephones, name && folded(name), telephone, url)
            note(@addresses, name && folded(name), address, url)
          end
        end

        # @return [Array<Odd>] the writing that most pages have is the usual one, of two as frequent the first in byte
        #   order
        def odd
          {"name" => @names, "telephone" => @telephones, "address" => @addresses}.flat_map do |fact, by_business|
            by_business.each_value.flat_map { |writings| odd_of(fact, writings) }
          end
        end

        # @return [Array<Business>]
        def businesses
          @called.map do |folded, names|
            telephones = @telephones.fetch(folded, {})
            Business.new(
              name: usual(names),
              folded: folded,
              telephones: telephones.keys,
              address: usual(@addresses.fetch(folded, {})),
              pages: telephones.each_value.sum(&:first)
            )
          end
        end

        private

        # {"skerry lamp works" => {"+351 555 0142" => [12, ["http://a.test/", …]]}}
        def nested = Hash.new { |all, business| all[business] = Hash.new { |writings, one| writings[one] = [0, []] } }

        def note(facts, business, writing, url)
          return if business.nil? || business.empty? || writing.nil?

          seen = facts[business][writing]
          seen[0] += 1
          seen[1] << url if seen[1].size < MOST_PAGES
        end

        # One number in two writings is one number.
        def odd_of(fact, writings)
          usual = usual(writings)
          writings
            .reject { |writing, _| (fact == "telephone") ? same_number?(writing, usual) : writing == usual }
            .flat_map do |writing, (_, urls)|
              urls.uniq.map { |url| Odd.new(url: url, fact: fact, writing: writing, usual: usual) }
            end
        end

        def usual(writings) = writings.min_by { |writing, (count, _)| [-count, writing] }&.first

        def written(values)
          value = values&.first
          value = value.properties.values.flatten.grep(String).join(", ") if value.is_a?(Item)
          Content::Folded.of(value.to_s).then { |text| text.empty? ? nil : text }
        end

        def folded(text) = self.class.folded(text)

        def digits(text) = text.gsub(/\D/, "")

        def same_number?(one, other) = ContactLines.key(one) == ContactLines.key(other)
      end
    end
  end
end
