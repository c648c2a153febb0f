# frozen_string_literal: true

module IronTrellis
  module Core
    module Groups
      # What we want for each URL: its own intent beats its group's, and what nothing was said about is undecided.
      class Intents
        NAMES = %w[index keep_out undecided].freeze

        # @param grouping [Grouping]
        # @param rules [Array<Array(Url::Pattern, String)>] intents given by pattern, the first match wins
        # @param key_pages [Array<String>] URLs in normal form
        def initialize(grouping:, rules:, key_pages:)
          @grouping = grouping
          @rules = rules
          @key_pages = key_pages.to_h { |url| [url, true] }
        end

        # @param url [String] in normal form
        # @return [String] one of NAMES
        def of(url)
          own = @rules.find { |pattern, _| pattern.match?(url) }
          own ? own[1] : @grouping.intent(url) || "undecided"
        end

        # @param url [String] in normal form
        # @return [String] the name of its group
        def group(url) = @grouping.name(url)

        # @param url [String] in normal form
        def key_page?(url) = @key_pages.key?(url)

        # Wanted: intent is index; or nothing was decided and a sitemap lists it or it is marked a key page.
        #
        # @param url [String] in normal form
        # @param listed [Boolean] whether a sitemap of the site lists it
        # @return [Boolean]
        def wanted?(url, listed:)
          case of(url)
          when "index" then true
          when "undecided" then listed || key_page?(url)
          else false
          end
        end
      end
    end
  end
end
